-- dialect: postgres
SELECT d.hive_id FROM (SELECT hive_id, COUNT(*), weight_kg * 2 FROM harvests GROUP BY hive_id, weight_kg) AS d; -- want "name.unnamed-output" "name.unnamed-output"
CREATE VIEW hive_sizes AS SELECT apiary_id, MAX(frame_count), 1 FROM hives GROUP BY apiary_id; -- want "name.unnamed-output"
CREATE TABLE hive_sums AS SELECT apiary_id, SUM(frame_count) FROM hives GROUP BY apiary_id; -- want "name.unnamed-output"
WITH d AS (SELECT hive_id, COALESCE(remark, 'none') FROM inspections) SELECT d.hive_id FROM d; -- want "name.unnamed-output"
-- The database's own name is used.
SELECT d.max FROM (SELECT MAX(frame_count) FROM hives) AS d; -- want "name.unnamed-output"
-- Names are given, or nobody asks for one.
SELECT d.n FROM (SELECT COUNT(*) FROM hives) AS d (n);
SELECT COUNT(*) FROM hives;
SELECT name FROM hives WHERE frame_count > (SELECT AVG(frame_count) FROM hives);
INSERT INTO buyers (buyer_id, name) SELECT 900 + keeper_id, UPPER(name) FROM keepers;
SELECT d.hive_id FROM (SELECT hive_id FROM hives UNION SELECT hive_id + 1 FROM hives) AS d;
SELECT d.name FROM (SELECT CAST(name AS text), frame_count::text FROM hives) AS d;
