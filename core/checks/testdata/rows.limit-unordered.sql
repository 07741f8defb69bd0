-- dialect: postgres
-- checks: rows.limit-unordered
select h.name
from hives h
where h.frame_count > 8
limit 3; -- want "rows.limit-unordered"
SELECT DISTINCT a.name FROM apiaries a OFFSET 2 ROWS FETCH NEXT 5 ROWS ONLY; -- want "rows.limit-unordered"
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests WHERE weight_kg > 3 LIMIT 10); -- want "rows.limit-unordered"
SELECT k.name, (SELECT h.name FROM hives h WHERE h.frame_count > 8 LIMIT 1) AS any_hive FROM keepers k; -- want "rows.limit-unordered"
SELECT h.name FROM hives h WHERE h.hive_id = 3 LIMIT 5;
SELECT COUNT(*), MAX(frame_count) FROM hives LIMIT 5;
SELECT h.name FROM hives h WHERE h.queen_id = 3 LIMIT 1;
SELECT 'yes' AS found FROM hives WHERE frame_count > 30 LIMIT 1;
SELECT name FROM hives ORDER BY name LIMIT 5;
SELECT name FROM hives UNION SELECT name FROM queens LIMIT 5;
SELECT name FROM hives OFFSET 5;
SELECT name FROM hives FETCH FIRST ROW ONLY; -- want "rows.limit-unordered"
