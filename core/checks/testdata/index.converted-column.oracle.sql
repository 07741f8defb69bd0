-- dialect: oracle

SELECT apiary_id FROM apiaries WHERE name = 7; -- want "index.converted-column"
SELECT apiary_id FROM apiaries a WHERE 7 < a.name; -- want "index.converted-column"
SELECT apiary_id FROM apiaries WHERE name IN (7, 8); -- want "index.converted-column"
SELECT name FROM queens WHERE colour BETWEEN 1 AND 3; -- want "index.converted-column"
SELECT apiary_id FROM apiaries WHERE name = '7' OR altitude_m = '7';
SELECT name FROM hives WHERE frame_count > 7.5 OR hive_id IN ('7', '8');
