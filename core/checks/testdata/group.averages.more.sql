-- dialect: postgres, possible
-- checks: group.average-of-averages, group.sum-empty, group.filter-outside, group.latest-tie
SELECT AVG(d.kg) FROM (SELECT hive_id, AVG(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d; -- want "group.average-of-averages"
SELECT AVG(d.kg) FROM (SELECT hive_id, ROUND(AVG(weight_kg), 1) AS kg FROM harvests GROUP BY hive_id) AS d; -- want "group.average-of-averages"
SELECT AVG(d.kg) FROM (SELECT hive_id, SUM(weight_kg) / COUNT(*) AS kg FROM harvests GROUP BY hive_id) AS d; -- want "group.average-of-averages"
SELECT AVG(d.kg) FROM (SELECT hive_id, MAX(weight_kg) / COUNT(*) AS kg FROM harvests GROUP BY hive_id) AS d;
SELECT AVG(d.kg) FROM (SELECT hive_id, SUM(weight_kg) * COUNT(*) AS kg FROM harvests GROUP BY hive_id) AS d;
SELECT AVG(d.kg) OVER () FROM (SELECT hive_id, AVG(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d;
SELECT SUM(d.kg) FROM (SELECT hive_id, AVG(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d;
SELECT AVG(d.kg + 1) FROM (SELECT hive_id, AVG(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d;
SELECT h.name, h.frame_count - (SELECT SUM(v.weight_kg) FROM harvests AS v WHERE v.hive_id = h.hive_id) FROM hives AS h; -- want "group.sum-empty"
SELECT h.name, h.frame_count - (SELECT MAX(v.weight_kg) FROM harvests AS v WHERE v.hive_id = h.hive_id) FROM hives AS h; -- want "group.sum-empty"
SELECT h.name, h.frame_count - (SELECT SUM(v.weight_kg) FROM harvests AS v WHERE v.hive_id = 3) FROM hives AS h;
SELECT h.name, h.frame_count - (SELECT SUM(v.weight_kg) FROM harvests AS v) FROM hives AS h;
SELECT h.name, h.frame_count - (SELECT COUNT(v.weight_kg) FROM harvests AS v WHERE v.hive_id = h.hive_id) FROM hives AS h;
SELECT h.name, h.name || (SELECT MIN(v.weight_kg) FROM harvests AS v WHERE v.hive_id = h.hive_id) FROM hives AS h;
SELECT h.name FROM hives AS h WHERE h.frame_count > (SELECT SUM(v.weight_kg) FROM harvests AS v WHERE v.hive_id = h.hive_id); -- want "group.sum-empty"
SELECT h.name FROM hives AS h WHERE h.frame_count = (SELECT SUM(v.weight_kg) FROM harvests AS v WHERE v.hive_id = h.hive_id); -- want "group.sum-empty"
SELECT h.name FROM hives AS h WHERE h.frame_count = (SELECT MAX(v.weight_kg) FROM harvests AS v WHERE v.hive_id = h.hive_id);
SELECT h.name, h.frame_count - (SELECT SUM(v.weight_kg) FROM harvests AS v WHERE v.hive_id = h.hive_id GROUP BY v.hive_id) FROM hives AS h;
SELECT d.hive_id, d.kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d WHERE d.kg > 50; -- want "group.filter-outside"
SELECT * FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d WHERE d.kg > 50 AND d.hive_id > 3; -- want "group.filter-outside"
SELECT d.kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d WHERE d.hive_id > 3;
SELECT d.kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id LIMIT 9) AS d WHERE d.kg > 3;
SELECT d.kg FROM (SELECT DISTINCT SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d WHERE d.kg > 3;
SELECT d.kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY ROLLUP (hive_id)) AS d WHERE d.kg > 3;
SELECT d.kg FROM (SELECT SUM(weight_kg) AS kg FROM harvests) AS d WHERE d.kg > 3;
SELECT d.kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d (h, kg) WHERE d.kg > 3;
SELECT d.kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d WHERE d.kg > (SELECT 3);
SELECT d.kg FROM (SELECT hive_id, SUM(weight_kg) AS kg, RANK() OVER (ORDER BY hive_id) AS r FROM harvests GROUP BY hive_id) AS d WHERE d.kg > 3 AND d.r < 4;
SELECT d.kg + 1 FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d WHERE d.kg > 3;
SELECT DISTINCT d.kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d WHERE d.kg > 3;
UPDATE hives SET frame_count = 1 FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d WHERE d.kg > 3;
SELECT v.hive_id FROM harvests AS v WHERE v.taken_on = (SELECT MAX(x.taken_on) FROM harvests AS x WHERE x.hive_id = v.hive_id); -- want "group.latest-tie"
SELECT v.hive_id FROM harvests AS v WHERE v.taken_on = (SELECT MIN(x.taken_on) FROM harvests AS x); -- want "group.latest-tie"
SELECT v.hive_id FROM harvests AS v WHERE v.harvest_id = (SELECT MAX(x.harvest_id) FROM harvests AS x);
SELECT v.hive_id FROM harvests AS v WHERE v.hive_id = (SELECT MAX(x.weight_kg) FROM harvests AS x);
SELECT v.hive_id FROM harvests AS v WHERE v.taken_on = (SELECT MAX(x.treated_on) FROM treatments AS x);
SELECT v.hive_id FROM harvests AS v WHERE v.taken_on = (SELECT MAX(x.taken_on) FROM harvests AS x JOIN hives AS h ON h.hive_id = x.hive_id);
SELECT v.hive_id FROM harvests AS v WHERE v.taken_on = (SELECT MAX(x.taken_on) FROM harvests AS x GROUP BY x.hive_id LIMIT 1);
SELECT v.hive_id FROM harvests AS v WHERE v.weight_kg = (SELECT SUM(x.weight_kg) FROM harvests AS x);
SELECT a.name FROM apiaries AS a WHERE a.name = (SELECT MAX(x.name) FROM apiaries AS x);
SELECT v.hive_id = (SELECT MAX(x.hive_id) FROM harvests AS x) FROM harvests AS v;
