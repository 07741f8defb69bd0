-- dialect: sqlite
SELECT name FROM hives WHERE moved_on = NULL; -- want "null.equals"
SELECT name FROM hives WHERE NULL <> moved_on AND apiary_id = 1; -- want "null.equals"
select name from hives where (moved_on) != (null); -- want "null.equals"
SELECT name FROM hives WHERE frame_count > NULL; -- want "null.equals"
SELECT CASE WHEN moved_on = NULL THEN 1 ELSE 0 END FROM hives; -- want "null.equals"
DELETE FROM hives WHERE queen_id = NULL; -- want "null.equals"
SELECT h.name FROM hives AS h LEFT JOIN queens AS q ON q.queen_id = h.queen_id AND q.colour = NULL; -- want "join.unused" "null.equals"
SELECT COUNT(*) FROM hives GROUP BY apiary_id HAVING MAX(moved_on) == NULL; -- want "null.equals"
UPDATE hives SET moved_on = NULL WHERE hive_id = 7;
UPDATE hives SET moved_on = NULL, queen_id = NULL WHERE moved_on IS NOT NULL;
SELECT name FROM hives WHERE moved_on IS NULL;
SELECT name FROM hives WHERE moved_on IS NOT NULL;
SELECT name FROM hives WHERE moved_on IS NOT DISTINCT FROM NULL;
SELECT name FROM hives WHERE name = 'NULL';
SELECT NULL AS missing, name FROM hives;
SELECT COALESCE(moved_on, NULL) FROM hives WHERE NULLIF(frame_count, 0) = 3;
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (9, 'Ash', 1, 1, 8) ON CONFLICT (hive_id) DO UPDATE SET moved_on = NULL;
