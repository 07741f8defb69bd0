-- dialect: postgres
SELECT apiary_id, name, COUNT(*) FROM hives GROUP BY apiary_id; -- want "group.ungrouped-column"
SELECT keeper_id, COUNT(*) FROM hives; -- want "group.ungrouped-column"
SELECT h.name, SUM(g.weight_kg) FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id GROUP BY g.hive_id; -- want "group.ungrouped-column"
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING name > 'B'; -- want "group.ungrouped-column"
SELECT apiary_id FROM hives GROUP BY apiary_id ORDER BY name; -- want "group.ungrouped-column"
SELECT EXTRACT(YEAR FROM inspected_at), inspected_at, COUNT(*) FROM inspections GROUP BY EXTRACT(YEAR FROM inspected_at); -- want "group.ungrouped-column"
SELECT name, apiary_id, COUNT(*) FROM hives GROUP BY 1; -- want "group.position" "group.ungrouped-column"
SELECT hive_id, name, COUNT(*) FROM hives GROUP BY hive_id; -- want "group.singleton"
SELECT a.name, k.name, COUNT(*) FROM apiaries AS a JOIN keepers AS k ON k.keeper_id = a.keeper_id GROUP BY a.apiary_id, k.keeper_id; -- want "group.nested-too-fine"
SELECT EXTRACT(YEAR FROM inspected_at) AS y, COUNT(*) FROM inspections GROUP BY EXTRACT( YEAR FROM inspected_at );
SELECT UPPER(name) AS n, COUNT(*) FROM hives GROUP BY n ORDER BY n;
SELECT h.apiary_id, COUNT(*) FROM hives AS h GROUP BY apiary_id;
SELECT apiary_id + 1, CURRENT_DATE, 'x', COUNT(*) FROM hives GROUP BY apiary_id;
SELECT CASE WHEN apiary_id > 2 THEN 'far' ELSE 'near' END, COUNT(*) FROM hives GROUP BY CASE WHEN apiary_id > 2 THEN 'far' ELSE 'near' END;
SELECT name, COUNT(*) OVER () FROM hives;
SELECT apiary_id, SUM(COUNT(*)) OVER (ORDER BY apiary_id) FROM hives GROUP BY apiary_id;
SELECT apiary_id, (SELECT a.name FROM apiaries AS a WHERE a.apiary_id = h.apiary_id) FROM hives AS h GROUP BY apiary_id;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id ORDER BY MAX(name);
SELECT apiary_id, keeper_id, COUNT(*) FROM hives GROUP BY ROLLUP (apiary_id, keeper_id);
SELECT DISTINCT apiary_id FROM hives;
SELECT COUNT(*), MAX(name) FROM hives HAVING COUNT(*) > 1;
SELECT (SELECT COUNT(*) FROM inspections AS i WHERE i.hive_id = h.hive_id), h.name FROM hives AS h;
SELECT c.n, MAX(c.k) FROM (SELECT name AS n, COUNT(*) AS k FROM hives GROUP BY name) AS c GROUP BY c.n; -- want "group.singleton"
SELECT h.*, COUNT(*) FROM hives AS h; -- want "group.ungrouped-column"
