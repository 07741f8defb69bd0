-- dialect: postgres
-- A parent's value for each of its children.
SELECT k.name, SUM(h.frame_count) AS frames FROM keepers AS k JOIN hives AS h ON h.keeper_id = k.keeper_id JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY k.name; -- want "group.fan-out"
SELECT AVG(h.frame_count) AS frames FROM hives AS h LEFT JOIN treatments AS t ON t.hive_id = h.hive_id; -- want "group.fan-out"
SELECT a.name, SUM(h.frame_count) / COUNT(DISTINCT h.hive_id) AS frames FROM apiaries AS a JOIN hives AS h ON h.apiary_id = a.apiary_id JOIN harvests AS g ON g.hive_id = h.hive_id GROUP BY a.name; -- want "group.fan-out" "math.integer-division"
-- Two lists that hang on one parent.
SELECT h.hive_id, SUM(g.weight_kg) AS kg, SUM(t.dose_ml) AS ml FROM hives AS h LEFT JOIN harvests AS g ON g.hive_id = h.hive_id LEFT JOIN treatments AS t ON t.hive_id = h.hive_id GROUP BY h.hive_id; -- want "group.fan-out" "group.fan-out"
SELECT SUM(g.weight_kg) AS kg FROM hives AS h JOIN harvests AS g USING (hive_id) JOIN treatments AS t USING (hive_id);
-- In HAVING, and counted.
SELECT h.apiary_id FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY h.apiary_id HAVING SUM(h.frame_count) > 40; -- want "group.fan-out"
SELECT h.apiary_id, COUNT(h.hive_id) AS hives, MAX(i.mites) AS mites FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY h.apiary_id; -- want "group.fan-out"
-- A derived table whose rows come several times.
SELECT SUM(d.kg) AS kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d JOIN inspections AS i ON i.hive_id = d.hive_id; -- want "group.fan-out"
-- What follows is right.
SELECT k.name, SUM(h.frame_count) AS frames FROM keepers AS k JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.name;
SELECT h.hive_id, SUM(s.jars * s.price) AS income FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id JOIN sales AS s ON s.harvest_id = g.harvest_id GROUP BY h.hive_id;
SELECT h.hive_id, d.kg, SUM(i.mites) AS mites FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id LEFT JOIN (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d ON d.hive_id = h.hive_id GROUP BY h.hive_id, d.kg;
SELECT SUM(s.jars * h.frame_count) AS n FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id JOIN sales AS s ON s.harvest_id = g.harvest_id;
SELECT g.harvest_id, SUM(g.weight_kg) AS kg FROM harvests AS g JOIN hives AS h ON h.hive_id = g.hive_id JOIN keepers AS k ON k.keeper_id = h.keeper_id GROUP BY g.harvest_id, g.taken_on; -- want "group.nested-too-fine"
SELECT SUM(h.frame_count) AS frames FROM hives AS h JOIN apiaries AS a ON a.apiary_id = h.apiary_id JOIN apiaries AS b ON b.name = a.name;
-- Each hive meets one row of numbers, or it is said which inspection: that cannot be told.
SELECT SUM(h.frame_count) AS frames FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id AND i.temper = 1;
SELECT SUM(h.frame_count) AS frames FROM hives AS h CROSS JOIN keepers AS k;
SELECT SUM(h.frame_count) AS frames FROM hives AS h JOIN inspections AS i ON i.inspected_at > h.moved_on;
SELECT SUM(h.frame_count) AS frames FROM hives AS h JOIN unknown_one AS u ON u.hive_id = h.hive_id; -- want "name.unknown-table"
SELECT SUM(h.frame_count) AS frames FROM (SELECT x.* FROM hives AS x) AS h JOIN apiaries AS a ON a.apiary_id = h.apiary_id JOIN (SELECT x.* FROM apiaries AS x) AS b ON b.name = a.name;
WITH b AS (SELECT x.name AS called FROM apiaries AS x), c AS (SELECT b.* FROM b) SELECT SUM(h.frame_count) AS frames FROM hives AS h JOIN apiaries AS a ON a.apiary_id = h.apiary_id JOIN c ON c.called = a.name;
