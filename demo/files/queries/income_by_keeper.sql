-- What each keeper's hives brought in, and how often they were looked after.
SELECT k.name,
       SUM(s.jars * s.price) AS income,
       COUNT(DISTINCT i.inspection_id) AS inspections
FROM keepers AS k
JOIN hives AS h ON h.keeper_id = k.keeper_id
JOIN harvests AS g ON g.hive_id = h.hive_id
JOIN sales AS s ON s.harvest_id = g.harvest_id
JOIN inspections AS i ON i.hive_id = h.hive_id
GROUP BY k.name
ORDER BY income DESC;

-- Apiaries with the number of their hives, the empty ones with 0.
SELECT a.apiary_id, a.name, COUNT(*) AS hives
FROM apiaries AS a
LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id
GROUP BY a.apiary_id, a.name
ORDER BY a.name;
