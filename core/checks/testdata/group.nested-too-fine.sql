-- dialect: postgres
SELECT h.apiary_id, i.inspection_id, AVG(i.mites) AS mites FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY h.apiary_id, i.inspection_id; -- want "group.nested-too-fine"
SELECT h.name, s.sale_id, SUM(s.jars) AS jars FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id JOIN sales AS s ON s.harvest_id = g.harvest_id GROUP BY h.name, s.sale_id; -- want "group.nested-too-fine"
SELECT h.name, g.harvest_id, SUM(s.jars) AS jars FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id JOIN sales AS s ON s.harvest_id = g.harvest_id GROUP BY h.name, g.harvest_id;
SELECT h.apiary_id, i.inspected_at, AVG(i.mites) AS mites FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY h.apiary_id, i.inspected_at;
