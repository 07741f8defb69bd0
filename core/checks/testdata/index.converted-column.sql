-- dialect: mariadb
SELECT apiary_id FROM apiaries WHERE name = 7; -- want "index.converted-column"
SELECT apiary_id FROM apiaries AS a WHERE 7 = (a.`name`); -- want "index.converted-column"
SELECT apiary_id FROM apiaries WHERE name IN (7, 8); -- want "index.converted-column"
SELECT apiary_id FROM apiaries WHERE name BETWEEN 7 AND 9 AND altitude_m > 100; -- want "index.converted-column"
SELECT name FROM queens WHERE colour = 3; -- want "index.converted-column"
SELECT name FROM hives WHERE hive_id IN ('7', 8, ' 9 '); -- want "index.converted-column"
SELECT apiary_id FROM apiaries WHERE name = '7' OR altitude_m = '7' OR apiary_id IN ('7', '8') OR altitude_m IN ('7', 8);
SELECT name FROM hives WHERE moved_on = '2026-05-01' OR moved_on = 20260501 OR frame_count > 7.5;
