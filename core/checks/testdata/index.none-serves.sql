-- dialect: postgres, many rows, possible
-- checks: index.none-serves
SELECT name FROM hives WHERE frame_count > 3 AND (apiary_id = 2) AND name = 'Ash'; -- want "index.none-serves"
SELECT name FROM hives WHERE $1 = apiary_id ORDER BY name; -- want "index.none-serves"
SELECT a.name FROM apiaries a WHERE EXISTS (SELECT 1 FROM hives h WHERE h.apiary_id = a.apiary_id AND h.frame_count > 3); -- want "index.none-serves"
UPDATE hives SET frame_count = 8 WHERE name = 'Ash'; -- want "index.none-serves"
DELETE FROM inspections i USING hives h WHERE i.hive_id = h.hive_id AND i.mites = 3; -- want "index.none-serves"
SELECT h.name FROM hives h, apiaries a WHERE h.apiary_id = a.apiary_id AND h.name = 'Ash'; -- want "index.none-serves"
SELECT name FROM hives WHERE hive_id = 2;
SELECT name FROM hives WHERE apiary_id = 2 AND hive_id BETWEEN 3 AND 9;
SELECT name FROM hives WHERE apiary_id = 2 OR hive_id = 3;
SELECT name FROM hives WHERE NOT (apiary_id = 2);
SELECT name FROM hives WHERE apiary_id = frame_count;
SELECT h.name FROM inspections i JOIN hives h ON h.hive_id = i.hive_id WHERE h.apiary_id = 2;
SELECT h.name FROM (SELECT name, apiary_id FROM hives) h WHERE h.apiary_id = 2;
CREATE INDEX hives_by_place ON hives USING hash (apiary_id);
SELECT name FROM hives WHERE apiary_id = 2;
CREATE INDEX hives_by_words ON hives (lower(name));
SELECT name FROM hives WHERE name = 'Ash';
