-- dialect: postgres
-- checks: type.text-order
CREATE TABLE frames (frame_id integer PRIMARY KEY, mark varchar(10), note text);
SELECT frame_id FROM frames f WHERE NOT '100' >= (f.mark); -- want "type.text-order"
SELECT frame_id FROM frames f WHERE f.note < '25' OR f.note = '25'; -- want "type.text-order"
SELECT frame_id FROM frames f WHERE f.mark > '2026' OR f.mark > '007' OR f.mark > '20260501' OR f.mark > 'A1' OR f.frame_id > '9';
