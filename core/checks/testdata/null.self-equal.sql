-- dialect: postgres
-- checks: null.self-equal
SELECT k.name FROM keepers k WHERE k.keeper_id IN (SELECT h.keeper_id FROM hives h WHERE (keeper_id) = h."keeper_id"); -- want "null.self-equal"
select h.name from hives h where h.moved_on = h.moved_on and h.frame_count > 3; -- want "null.self-equal"
SELECT h.name FROM hives h WHERE h.moved_on <> h.moved_on; -- want "null.self-equal"
SELECT h.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id AND a.keeper_id = a.keeper_id; -- want "null.self-equal"
SELECT COUNT(*) FILTER (WHERE moved_on = moved_on) AS moved FROM hives;
SELECT h.name FROM hives h JOIN hives o ON o.apiary_id = h.apiary_id AND o.keeper_id = h.keeper_id;
SELECT h.name FROM hives h WHERE h.hive_id = (SELECT MAX(hive_id) FROM hives);
