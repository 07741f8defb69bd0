-- dialect: mysql, possible
-- checks: group.having-as-where, group.having-zero, group.month-without-year, group.ungrouped-column, group.repeated-key, group.count-else
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING apiary_id > 3; -- want "group.having-as-where"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING apiary_id > 3 AND COUNT(*) > 2; -- want "group.having-as-where"
SELECT apiary_id, COUNT(*) FROM hives WHERE frame_count > 3 OR name = 'a' GROUP BY apiary_id HAVING apiary_id > 3 OR apiary_id = 1; -- want "group.having-as-where"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING RAND() > 3;
SELECT apiary_id AS a, COUNT(*) FROM hives GROUP BY a HAVING a > 3;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id WITH ROLLUP HAVING apiary_id > 3;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING ABS(apiary_id) > 3; -- want "group.having-as-where"
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) = 0; -- want "group.having-zero"
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) <= 0; -- want "group.having-zero"
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) < 1; -- want "group.having-zero"
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) <= 1;
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) = 1;
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(moved_on) = 0;
SELECT MAX(name) FROM hives HAVING COUNT(*) = 0;
SELECT MONTH(taken_on), SUM(weight_kg) FROM harvests GROUP BY MONTH(taken_on); -- want "group.month-without-year"
SELECT MONTH(taken_on), AVG(weight_kg) FROM harvests GROUP BY MONTH(taken_on); -- want "group.month-without-year"
SELECT MONTH(taken_on), SUM(weight_kg) FROM harvests WHERE taken_on > '2026-01-01' GROUP BY MONTH(taken_on);
SELECT YEAR(taken_on), MONTH(taken_on), SUM(weight_kg) FROM harvests GROUP BY YEAR(taken_on), MONTH(taken_on);
SELECT MONTH(taken_on), DAY(taken_on), SUM(weight_kg) FROM harvests GROUP BY MONTH(taken_on), DAY(taken_on);
SELECT MONTH(v.taken_on), SUM(v.weight_kg) FROM harvests AS v JOIN inspections AS i ON i.inspected_at = v.taken_on GROUP BY MONTH(v.taken_on);
SELECT MONTH(v.taken_on), SUM(v.weight_kg) FROM harvests AS v JOIN hives AS h USING (hive_id) GROUP BY MONTH(v.taken_on); -- want "group.month-without-year"
SELECT DATE_FORMAT(taken_on, '%m'), SUM(weight_kg) FROM harvests GROUP BY DATE_FORMAT(taken_on, '%m'); -- want "group.month-without-year"
SELECT DATE_FORMAT(taken_on, '%W'), SUM(weight_kg) FROM harvests GROUP BY DATE_FORMAT(taken_on, '%W');
SELECT DATE_FORMAT(taken_on, '%Y-%m'), SUM(weight_kg) FROM harvests GROUP BY DATE_FORMAT(taken_on, '%Y-%m');
SELECT EXTRACT(WEEK FROM taken_on) AS w, COUNT(*) FROM harvests GROUP BY w; -- want "group.month-without-year"
SELECT apiary_id, name, COUNT(*) FROM hives GROUP BY apiary_id; -- want "group.ungrouped-column"
SELECT hive_id, name, COUNT(*) FROM hives GROUP BY hive_id;
SELECT h.name, a.name, COUNT(*) FROM hives AS h JOIN apiaries AS a ON a.apiary_id = h.apiary_id GROUP BY h.hive_id; -- want "group.ungrouped-column"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING name > 'a'; -- want "group.ungrouped-column"
SELECT name, COUNT(*) FROM hives; -- want "group.ungrouped-column"
SELECT *, COUNT(*) FROM hives; -- want "group.ungrouped-column"
SELECT name, COUNT(*) OVER () FROM hives;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id ORDER BY name; -- want "group.ungrouped-column"
SELECT DISTINCT apiary_id FROM hives GROUP BY apiary_id, name ORDER BY apiary_id;
SELECT apiary_id FROM hives GROUP BY apiary_id, keeper_id, apiary_id; -- want "group.repeated-key"
SELECT apiary_id FROM hives GROUP BY RAND(), RAND(); -- want "group.ungrouped-column"
SELECT name FROM hives ORDER BY name, keeper_id, name DESC; -- want "group.repeated-key"
SELECT SUM(frame_count) OVER (PARTITION BY name ORDER BY name, name) FROM hives;
SELECT COUNT(CASE WHEN mites > 3 THEN 1 ELSE 0 END) FROM inspections; -- want "group.count-else"
SELECT COUNT(CASE WHEN mites > 3 THEN mites ELSE 0 END) FROM inspections;
SELECT COUNT(CASE WHEN mites > 3 THEN 1 ELSE FALSE END) FROM inspections; -- want "group.count-else"
SELECT COUNT(mites > 3) FROM inspections; -- want "group.count-else"
SELECT COUNT(temper > 3) FROM inspections; -- want "group.count-else"
SELECT COUNT(DISTINCT CASE WHEN mites > 3 THEN 1 ELSE 0 END) FROM inspections;
