-- dialect: postgres
SELECT name, frame_count FROM hives HAVING frame_count > 8; -- want "clause.having-ungrouped"
SELECT name FROM hives WHERE hive_id > 3 HAVING name = 'Ash'; -- want "clause.having-ungrouped"
SELECT COUNT(*) FROM hives HAVING COUNT(*) > 3;
SELECT 1 FROM hives HAVING COUNT(*) > 3;
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) > 3;
SELECT 1 HAVING true;
