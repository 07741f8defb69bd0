-- dialect: postgres, possible
SELECT g.harvest_id, g.weight_kg - (SELECT SUM(s.jars) FROM sales AS s WHERE s.harvest_id = g.harvest_id) AS rest FROM harvests AS g; -- want "group.sum-empty"
SELECT g.harvest_id FROM harvests AS g WHERE 2 * (SELECT SUM(s.jars) FROM sales AS s WHERE s.harvest_id = g.harvest_id) < g.weight_kg; -- want "group.sum-empty"
SELECT g.harvest_id FROM harvests AS g WHERE (SELECT SUM(s.jars) FROM sales AS s WHERE s.harvest_id = g.harvest_id) < 10; -- want "group.sum-empty"
SELECT h.name, 10 - (SELECT MAX(i.mites) FROM inspections AS i WHERE i.hive_id = h.hive_id) AS left_over FROM hives AS h; -- want "group.sum-empty"
SELECT g.harvest_id, g.weight_kg - COALESCE((SELECT SUM(s.jars) FROM sales AS s WHERE s.harvest_id = g.harvest_id), 0) AS rest FROM harvests AS g;
SELECT g.harvest_id, g.weight_kg - (SELECT SUM(s.jars) FROM sales AS s) AS rest FROM harvests AS g;
SELECT g.harvest_id, g.weight_kg - (SELECT COUNT(*) FROM sales AS s WHERE s.harvest_id = g.harvest_id) AS rest FROM harvests AS g;
