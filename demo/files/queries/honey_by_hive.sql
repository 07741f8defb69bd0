-- Honey of each hive. The name is nicer to read than the number.
SELECT g.hive_id,
       h.name,
       h.apiary_id,
       SUM(g.weight_kg) AS total_kg
FROM harvests AS g
JOIN hives AS h ON h.hive_id = g.hive_id
GROUP BY g.hive_id
ORDER BY total_kg DESC;

-- And all of it together.
SELECT apiary_id, COUNT(*) AS hives
FROM hives;
