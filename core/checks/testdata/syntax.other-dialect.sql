-- dialect: postgres
SELECT IFNULL(moved_on, '2026-01-01') FROM hives; -- want "syntax.other-dialect"
SELECT TOP 3 name FROM hives ORDER BY name; -- want "syntax.other-dialect"
SELECT name FROM hives WHERE moved_on <=> NULL; -- want "syntax.other-dialect"
SELECT name FROM hives MINUS SELECT name FROM queens; -- want "syntax.other-dialect"
SELECT h.name FROM hives h JOIN queens q ON h.queen_id = q.queen_id(+); -- want "syntax.other-dialect"
SELECT apiary_id, GROUP_CONCAT(name) FROM hives GROUP BY apiary_id; -- want "syntax.other-dialect"
SELECT LEN(name), ISNULL(moved_on, '2026-01-01') FROM hives; -- want "syntax.other-dialect" "syntax.other-dialect"
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (9, 'Ash', 1, 1, 8) ON DUPLICATE KEY UPDATE name = 'Ash'; -- want "syntax.other-dialect"
SELECT name::text, NOW() FROM hives WHERE name ILIKE 'a%' LIMIT 3; -- want "rows.limit-unordered"
SELECT name FROM hives ORDER BY name FETCH FIRST 3 ROWS ONLY;
SELECT DISTINCT ON (apiary_id) apiary_id, name FROM hives ORDER BY apiary_id, name;
SELECT COALESCE(moved_on, '2026-01-01'), STRING_AGG(name, ', ') FROM hives GROUP BY moved_on;
SELECT name FROM hives EXCEPT SELECT name FROM queens;
SELECT name || '!' FROM hives NATURAL JOIN (SELECT 1 AS hive_id) AS one; -- want "join.natural"
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (9, 'Ash', 1, 1, 8) ON CONFLICT (hive_id) DO NOTHING;
SELECT name FROM hives LIMIT 5, 10; -- want "rows.limit-unordered" "syntax.other-dialect"
SELECT IF(frame_count > 3, 'a', 'b') AS size FROM hives; -- want "syntax.other-dialect"
SELECT name FROM hives WHERE name IS 'Ash'; -- want "syntax.other-dialect"
SELECT name FROM hives WHERE name IS NOT 'Ash'; -- want "syntax.other-dialect"
UPDATE hives h JOIN queens q ON q.queen_id = h.queen_id SET frame_count = 3; -- want "syntax.other-dialect"
DELETE FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id WHERE q.colour = 'red'; -- want "syntax.other-dialect"
SELECT name FROM hives LIMIT 10 OFFSET 5; -- want "rows.limit-unordered"
SELECT name FROM hives OFFSET 5 LIMIT 10; -- want "rows.limit-unordered"
SELECT name FROM hives WHERE (name IS NULL) IS NOT TRUE AND name IS DISTINCT FROM 'Ash'; -- want "null.test-on-required"
DELETE FROM hives h USING queens q WHERE q.queen_id = h.queen_id AND h.hive_id = -1;
INSERT INTO queens SET queen_id = 901, name = 'Ada', bred_in = 2020; -- want "syntax.other-dialect"
SELECT name FROM hives WHERE frame_count = ANY (1, 2) OR frame_count <> ALL (3, 4); -- want "syntax.other-dialect" "syntax.other-dialect"
SELECT name FROM hives WHERE frame_count > ALL (1, 2); -- want "syntax.other-dialect"
SELECT POSITION('a', name) FROM hives; -- want "syntax.other-dialect"
SELECT POSITION('a' IN name) FROM hives WHERE frame_count = ANY (ARRAY[1, 2]);
UPDATE hives SET frame_count = 8 WHERE hive_id = 1 LIMIT 5; -- want "syntax.other-dialect"
UPDATE hives SET frame_count += 1, queen_id -= queen_id - 2 WHERE hive_id = 1; -- want "syntax.other-dialect" "syntax.other-dialect"
DELETE FROM inspections WHERE inspection_id = 1 ORDER BY inspection_id; -- want "syntax.other-dialect"
DELETE i FROM inspections i WHERE i.inspection_id = 1; -- want "syntax.other-dialect"
DELETE FROM inspections, hives WHERE inspections.hive_id = hives.hive_id; -- want "syntax.other-dialect"
DELETE FROM inspections i USING hives h WHERE i.hive_id = h.hive_id AND h.hive_id = 1;
(SELECT name FROM hives) INTERSECT ALL (SELECT name FROM queens);
