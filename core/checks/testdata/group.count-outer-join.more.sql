-- dialect: postgres
-- checks: group.count-outer-join, group.inner-loses-parents, group.fan-out
SELECT a.name, COUNT(*) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name; -- want "group.count-outer-join"
SELECT a.name, COUNT(1) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name; -- want "group.count-outer-join"
SELECT a.name, COUNT(NULL) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name;
SELECT a.name, COUNT(h.name) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name;
SELECT a.name, COUNT(DISTINCT a.apiary_id) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name;
SELECT a.name, COUNT(*) FILTER (WHERE h.frame_count > 3) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name;
SELECT a.name, COUNT(a.altitude_m) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name;
SELECT a.name FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name HAVING COUNT(*) > 0; -- want "group.count-outer-join"
SELECT a.name FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name HAVING COUNT(*) > 1;
SELECT a.name FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name HAVING COUNT(*) >= 2;
SELECT a.name FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name HAVING COUNT(*) >= 1; -- want "group.count-outer-join"
SELECT a.name FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name HAVING COUNT(*) = 3;
SELECT a.name FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name HAVING COUNT(*) < 2;
SELECT a.name, COUNT(*) AS n FROM apiaries AS a RIGHT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name;
SELECT h.name, COUNT(*) AS n FROM apiaries AS a RIGHT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY h.name;
SELECT a.name, COUNT(*) AS n FROM apiaries AS a FULL JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name;
SELECT h.name, COUNT(*) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY h.name;
SELECT a.name, COUNT(*) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id WHERE h.hive_id IS NULL GROUP BY a.name;
SELECT a.name, COUNT(*) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id WHERE h.frame_count > 3 GROUP BY a.name;
SELECT a.name, COUNT(*) AS n FROM apiaries AS a LEFT JOIN keepers AS k ON k.keeper_id = a.keeper_id GROUP BY a.name;
SELECT a.name, COUNT(*) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id LEFT JOIN harvests AS v ON v.hive_id = h.hive_id GROUP BY a.name; -- want "group.count-outer-join"
SELECT a.name, COUNT(*) AS n FROM apiaries AS a NATURAL LEFT JOIN hives AS h GROUP BY a.name;
SELECT a.name, SUM(a.altitude_m) AS n FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name; -- want "group.fan-out"
SELECT h.name, SUM(v.weight_kg) AS kg FROM hives AS h LEFT JOIN harvests AS v ON v.hive_id = h.hive_id GROUP BY h.name;
SELECT h.name, SUM(v.weight_kg) AS kg, COUNT(i.inspection_id) AS n FROM hives AS h JOIN harvests AS v ON v.hive_id = h.hive_id JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY h.name; -- want "group.fan-out" "group.fan-out"
SELECT h.name, AVG(h.frame_count) AS f FROM hives AS h JOIN harvests AS v ON v.hive_id = h.hive_id GROUP BY h.name; -- want "group.fan-out"
SELECT h.name, AVG(DISTINCT h.frame_count) AS f FROM hives AS h JOIN harvests AS v ON v.hive_id = h.hive_id GROUP BY h.name;
SELECT h.name, MAX(h.frame_count) AS f FROM hives AS h JOIN harvests AS v ON v.hive_id = h.hive_id GROUP BY h.name;
SELECT h.name, SUM(h.frame_count * v.weight_kg) AS f FROM hives AS h JOIN harvests AS v ON v.hive_id = h.hive_id GROUP BY h.name;
SELECT h.name, COUNT(h.hive_id) AS f FROM hives AS h JOIN harvests AS v ON v.hive_id = h.hive_id GROUP BY h.name; -- want "group.fan-out"
SELECT SUM(k.keeper_id) AS f FROM hives AS h JOIN keepers AS k ON k.keeper_id = h.keeper_id; -- want "group.fan-out"
