-- dialect: postgres, possible
-- checks: group.count-distinct-star, group.constant-key, group.count-nullable, group.distinct-in-minmax, group.distinct-in-sum, group.inner-loses-parents, group.nested-too-fine, group.without-aggregate, group.filter-outside, group.having-zero, group.latest-tie, group.count-else, group.repeated-key, group.singleton, group.sum-empty, group.position, group.month-without-year, group.average-of-averages
SELECT COUNT(mites) FROM inspections;
SELECT COUNT(temper) FROM inspections;
SELECT COUNT(mites), COUNT(*) FROM inspections;
SELECT hive_id, COUNT(remark) FROM inspections WHERE remark IS NOT NULL GROUP BY hive_id;
SELECT MIN(DISTINCT taken_on) FROM harvests; -- want "group.distinct-in-minmax"
SELECT SUM(DISTINCT jars) FROM sales; -- want "group.distinct-in-sum"
SELECT AVG(DISTINCT price) FROM sales; -- want "group.distinct-in-sum"
SELECT SUM(DISTINCT jars) FROM sales; -- want "group.distinct-in-sum"
SELECT SUM(DISTINCT sale_id) FROM sales;
SELECT COUNT(DISTINCT jars) FROM sales;
SELECT hive_id FROM harvests GROUP BY hive_id; -- want "group.without-aggregate"
SELECT hive_id, taken_on FROM harvests GROUP BY hive_id, taken_on; -- want "group.without-aggregate"
SELECT hive_id FROM harvests GROUP BY hive_id, taken_on;
SELECT hive_id FROM harvests GROUP BY hive_id ORDER BY hive_id; -- want "group.without-aggregate"
SELECT hive_id FROM harvests GROUP BY hive_id HAVING COUNT(*) > 1;
SELECT DISTINCT hive_id FROM harvests GROUP BY hive_id;
SELECT taken_on, hive_id FROM harvests GROUP BY hive_id, taken_on;
SELECT hive_id + 1 FROM harvests GROUP BY hive_id;
SELECT COUNT(*) FROM harvests GROUP BY hive_id, hive_id; -- want "group.repeated-key"
SELECT COUNT(*) FROM harvests AS v GROUP BY v.hive_id, hive_id; -- want "group.repeated-key"
SELECT COUNT(*) FROM harvests GROUP BY hive_id, hive_id + 0;
SELECT COUNT(*) FROM harvests AS v JOIN hives AS h ON h.hive_id = v.hive_id GROUP BY v.hive_id, h.hive_id; -- want "group.inner-loses-parents"
SELECT COUNT(*) FROM hives AS h JOIN hives AS o ON o.apiary_id = h.apiary_id GROUP BY h.hive_id, o.hive_id; -- want "group.singleton"
SELECT hive_id, COUNT(*) FROM hives GROUP BY hive_id; -- want "group.singleton"
SELECT hive_id, name, MAX(frame_count) FROM hives GROUP BY hive_id, name; -- want "group.singleton"
SELECT name, COUNT(*) FROM apiaries GROUP BY name; -- want "group.singleton"
SELECT name, COUNT(*) FROM hives GROUP BY name;
SELECT h.hive_id, COUNT(*) FROM hives AS h JOIN harvests AS v ON v.hive_id = h.hive_id GROUP BY h.hive_id; -- want "group.inner-loses-parents"
SELECT v.harvest_id, COUNT(*) FROM hives AS h JOIN harvests AS v ON v.hive_id = h.hive_id GROUP BY v.harvest_id; -- want "group.singleton"
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) = 0; -- want "group.having-zero"
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) <= 0; -- want "group.having-zero"
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) < 1; -- want "group.having-zero"
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) < 2;
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) <= 1;
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) > 0;
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(queen_id) = 0;
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING MAX(frame_count) = 0;
SELECT COUNT(*) FROM hives HAVING COUNT(*) = 0;
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) = 0 OR MAX(frame_count) > 3;
SELECT SUM(CASE WHEN temper > 3 THEN 1 ELSE 0 END) FROM inspections;
SELECT COUNT(CASE WHEN temper > 3 THEN 1 ELSE 0 END) FROM inspections; -- want "group.count-else"
SELECT COUNT(CASE WHEN temper > 3 THEN 1 ELSE NULL END) FROM inspections;
SELECT COUNT(CASE WHEN temper > 3 THEN 1 END) FROM inspections;
SELECT COUNT(CASE temper WHEN 3 THEN 'calm' ELSE 'wild' END) FROM inspections; -- want "group.count-else"
SELECT COUNT(CASE WHEN temper > 3 THEN mites ELSE 0 END) FROM inspections;
SELECT COUNT(DISTINCT CASE WHEN temper > 3 THEN hive_id ELSE 0 END) FROM inspections;
SELECT SUM(weight_kg) FROM harvests WHERE hive_id = 3;
SELECT COALESCE(SUM(weight_kg), 0) FROM harvests WHERE hive_id = 3;
SELECT COALESCE(SUM(weight_kg) + 1, 0) FROM harvests WHERE hive_id = 3;
SELECT h.name, h.frame_count + (SELECT SUM(v.weight_kg) FROM harvests AS v WHERE v.hive_id = h.hive_id) FROM hives AS h; -- want "group.sum-empty"
SELECT h.name, h.frame_count + COALESCE((SELECT SUM(v.weight_kg) FROM harvests AS v WHERE v.hive_id = h.hive_id), 0) FROM hives AS h;
SELECT h.name, h.frame_count + (SELECT COUNT(*) FROM harvests AS v WHERE v.hive_id = h.hive_id) FROM hives AS h;
SELECT EXTRACT(MONTH FROM taken_on), SUM(weight_kg) FROM harvests GROUP BY EXTRACT(MONTH FROM taken_on); -- want "group.month-without-year"
SELECT EXTRACT(YEAR FROM taken_on), EXTRACT(MONTH FROM taken_on), SUM(weight_kg) FROM harvests GROUP BY EXTRACT(YEAR FROM taken_on), EXTRACT(MONTH FROM taken_on);
SELECT EXTRACT(MONTH FROM taken_on), SUM(weight_kg) FROM harvests WHERE EXTRACT(YEAR FROM taken_on) = 2026 GROUP BY EXTRACT(MONTH FROM taken_on);
SELECT EXTRACT(MONTH FROM taken_on), SUM(weight_kg) FROM harvests WHERE taken_on >= '2026-01-01' AND taken_on < '2027-01-01' GROUP BY EXTRACT(MONTH FROM taken_on);
SELECT EXTRACT(DAY FROM taken_on), SUM(weight_kg) FROM harvests GROUP BY EXTRACT(DAY FROM taken_on); -- want "group.month-without-year"
SELECT EXTRACT(DOW FROM taken_on), SUM(weight_kg) FROM harvests GROUP BY EXTRACT(DOW FROM taken_on);
SELECT date_trunc('month', taken_on), SUM(weight_kg) FROM harvests GROUP BY date_trunc('month', taken_on);
SELECT AVG(kg) FROM (SELECT hive_id, AVG(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS averages; -- want "group.average-of-averages"
SELECT AVG(kg) FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS sums;
SELECT MAX(kg) FROM (SELECT hive_id, AVG(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS averages;
SELECT AVG(kg) FROM (SELECT AVG(weight_kg) AS kg FROM harvests) AS averages;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY 1; -- want "group.position"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id, 1; -- want "group.position"
SELECT COUNT(*), apiary_id FROM hives GROUP BY 2; -- want "group.position"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY ROLLUP (apiary_id);
SELECT apiary_id FROM hives GROUP BY ROLLUP (apiary_id);
SELECT apiary_id FROM hives GROUP BY GROUPING SETS ((apiary_id), ());
SELECT a.apiary_id, a.name, COUNT(*) FROM apiaries AS a JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id, a.name; -- want "group.inner-loses-parents"
SELECT a.apiary_id, COUNT(h.hive_id) FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id;
SELECT a.apiary_id, COUNT(*) FROM apiaries AS a JOIN hives AS h ON h.apiary_id = a.apiary_id WHERE h.frame_count > 3 GROUP BY a.apiary_id;
SELECT h.apiary_id, COUNT(*) FROM apiaries AS a JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY h.apiary_id;
