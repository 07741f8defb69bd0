-- dialect: mariadb
-- checks: syntax.other-dialect
INSERT INTO buyers AS b (buyer_id, name) VALUES (101, 'Ash'); -- want "syntax.other-dialect"
DELETE FROM sales AS s WHERE s.jars = 0; -- want "syntax.other-dialect"
DELETE s FROM sales AS s WHERE s.jars = 0;
UPDATE hives h SET h.frame_count = 1 WHERE h.hive_id = 1;
