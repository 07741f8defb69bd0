-- dialect: postgres
SELECT name FROM hives WHERE hive_id IN (1, 2 3); -- want "syntax.missing-comma"
SELECT name FROM hives ORDER BY apiary_id name; -- want "syntax.missing-comma"
SELECT apiary_id, keeper_id, COUNT(*) FROM hives GROUP BY apiary_id keeper_id; -- want "syntax.missing-comma"
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (90, 'Ash' 1, 1, 8); -- want "syntax.missing-comma"
SELECT hive_id, name hive apiary_id FROM hives; -- want "syntax.missing-comma"
SELECT hive_id FROM hives WHERE name IN ('Ash', 'Birch' -- want "syntax.missing-comma"
  'Clover');
SELECT name hive FROM hives ORDER BY name DESC, hive_id;
SELECT hive_id, name AS "the hive" FROM hives ORDER BY name ASC NULLS LAST;
SELECT name FROM hives WHERE hive_id IN (1, -2, +3);
SELECT COUNT(*) OVER (ORDER BY name ROWS UNBOUNDED PRECEDING) FROM hives;
SELECT 'a long text that '
  'goes on' AS remark;
SELECT name FROM hives GROUP BY name HAVING COUNT(*) > 1;
