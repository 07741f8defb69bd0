-- dialect: postgres
-- checks: join.unconnected
SELECT h.name, k.name FROM hives h, keepers k; -- want "join.unconnected"
SELECT COUNT(*) FROM hives AS h, (apiaries AS a JOIN keepers AS k ON k.keeper_id = a.keeper_id) WHERE h.frame_count > 3 AND a.altitude_m > 200; -- want "join.unconnected"
WITH heavy AS (SELECT hive_id FROM harvests WHERE weight_kg > 20)
SELECT h.name FROM hives h, heavy WHERE h.frame_count > 8; -- want "join.unconnected"
SELECT "h".name, x.mites FROM hives "h", (SELECT i.hive_id, i.mites FROM inspections i) AS x WHERE NOT "h".frame_count < 3 AND x.mites > 4; -- want "join.unconnected"
SELECT h.name FROM hives h WHERE h.hive_id IN (SELECT g.hive_id FROM harvests g, sales s WHERE s.jars > 3); -- want "join.unconnected"
-- silent: tied by a subquery, a function, one row, one value, a lateral query
SELECT h.name FROM hives h, apiaries a WHERE (h.apiary_id, h.keeper_id) = (a.apiary_id, a.keeper_id);
SELECT h.name FROM hives h, apiaries a WHERE h.apiary_id IN (SELECT x.apiary_id FROM apiaries x WHERE x.keeper_id = a.keeper_id);
SELECT h.name, n.i FROM hives h, generate_series(1, 3) AS n(i);
SELECT h.name FROM hives h, apiaries a WHERE h.keeper_id = 4 AND 4 = a.keeper_id;
SELECT h.name FROM hives h, apiaries a WHERE a.name = 'Oak Ridge' AND h.frame_count > 2;
WITH bounds AS (SELECT MIN(taken_on) AS low FROM harvests) SELECT g.harvest_id FROM harvests g, bounds b WHERE g.weight_kg > 3;
SELECT h.name, x.most FROM hives h, LATERAL (SELECT MAX(i.mites) AS most FROM inspections i WHERE i.hive_id = h.hive_id) AS x;
SELECT h.name, w.word FROM hives h, (VALUES ('calm'), ('wild')) AS w(word);
SELECT h.name FROM hives h, apiaries a JOIN keepers k ON k.keeper_id = a.keeper_id WHERE h.apiary_id = a.apiary_id;
SELECT h.name FROM hives h, apiaries a WHERE h.apiary_id = a.apiary_id OR a.altitude_m > 800;
WITH w AS (SELECT MAX(weight_kg) AS most, current_setting('max_connections')::int AS n FROM harvests) SELECT h.name FROM hives h, w WHERE h.frame_count > 3;
SELECT h.name, a.name FROM hives h, apiaries a ORDER BY h.hive_id, a.apiary_id LIMIT 1;
SELECT COUNT(*) FROM hives h, apiaries a LIMIT 1; -- want "join.unconnected"
