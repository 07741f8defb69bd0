-- dialect: postgres
SELECT name FROM hives UNION ALL SELECT name, colour FROM queens; -- want "set.column-count"
SELECT * FROM hives EXCEPT SELECT * FROM queens; -- want "set.column-count"
SELECT name, 1 FROM hives INTERSECT SELECT name FROM queens; -- want "set.column-count"
SELECT h.* FROM hives h JOIN queens q ON q.queen_id = h.queen_id UNION ALL SELECT name FROM queens; -- want "set.column-count"
VALUES (1, 2), (3, 4) UNION ALL SELECT 5; -- want "set.column-count"
SELECT name, apiary_id FROM hives UNION ALL SELECT name, queen_id FROM queens;
SELECT * FROM hives WHERE hive_id = 1 UNION ALL SELECT * FROM hives WHERE hive_id = 2;
SELECT 1 UNION SELECT 2 UNION SELECT 3;
(SELECT name FROM hives ORDER BY name LIMIT 1) UNION (SELECT name FROM queens);
WITH RECURSIVE n (i, j) AS (SELECT 1, 2 UNION ALL SELECT i + 1, j FROM n WHERE i < 3) SELECT i, j FROM n;
