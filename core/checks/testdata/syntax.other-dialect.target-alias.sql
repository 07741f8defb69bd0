-- dialect: sqlserver
-- checks: syntax.other-dialect
DELETE FROM sales AS s WHERE s.jars = 0; -- want "syntax.other-dialect"
UPDATE hives h SET h.frame_count = 1 WHERE h.hive_id = 1; -- want "syntax.other-dialect"
INSERT INTO buyers AS b (buyer_id, name) VALUES (1, 'Ash'); -- want "syntax.other-dialect"
DELETE s FROM sales AS s WHERE s.jars = 0;
UPDATE h SET h.frame_count = 1 FROM hives h WHERE h.hive_id = 1;
