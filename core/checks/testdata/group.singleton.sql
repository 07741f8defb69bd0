-- dialect: postgres
SELECT apiary_id, COUNT(*) AS n FROM apiaries GROUP BY apiary_id; -- want "group.singleton"
SELECT name, MAX(altitude_m) AS top FROM apiaries GROUP BY name; -- want "group.singleton"
SELECT hive_id, name, SUM(frame_count) AS frames FROM hives GROUP BY 1, 2; -- want "group.position" "group.singleton"
SELECT g.harvest_id, SUM(g.weight_kg) AS kg FROM harvests AS g JOIN hives AS h ON h.hive_id = g.hive_id GROUP BY g.harvest_id; -- want "group.singleton"
SELECT d.hive_id, MAX(d.kg) AS kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d GROUP BY d.hive_id; -- want "group.singleton"
-- Groups of several rows, or of who knows how many.
SELECT name, MAX(frame_count) AS frames FROM hives GROUP BY name;
SELECT UPPER(name) AS n, MAX(altitude_m) AS top FROM apiaries GROUP BY UPPER(name);
SELECT h.hive_id, COUNT(*) AS n FROM harvests AS g JOIN hives AS h ON h.hive_id = g.hive_id GROUP BY h.hive_id;
SELECT hive_id, SUM(frame_count) AS frames FROM hives GROUP BY ROLLUP (hive_id);
SELECT u.hive_id, COUNT(*) AS n FROM unknown_one AS u GROUP BY u.hive_id; -- want "name.unknown-table"
SELECT queen_id, COUNT(*) AS n FROM hives GROUP BY queen_id;
