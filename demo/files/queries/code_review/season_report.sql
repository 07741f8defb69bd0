-- What each apiary brought this season, with its keeper, its visits and its sales.
WITH season AS (
  SELECT g.harvest_id, g.hive_id, g.weight_kg, g.moisture
  FROM harvests AS g
  WHERE g.taken_on BETWEEN '2026-09-30' AND '2026-05-01'
),
visits AS (
  SELECT i.hive_id, COUNT(*) AS visits, MAX(i.mites) AS most_mites
  FROM inspections AS i
  WHERE i.inspected_at >= '2026-05-01'
    AND i.inspected_at <= '2026-09-30'
  GROUP BY i.hive_id
),
sold AS (
  SELECT s.harvest_id, SUM(s.jars) AS jars, SUM(s.jars * s.price) AS income
  FROM sales AS s
  GROUP BY s.harvest_id
),
treated AS (
  SELECT t.hive_id, COUNT(*) AS treatments
  FROM treatments AS t
  GROUP BY t.hive_id
)
SELECT a.apiary_id,
       a.name AS apiary,
       k.name || ', ' || k.village AS keeper,
       COUNT(DISTINCT h.hive_id) AS hives,
       SUM(h.frame_count) AS frames,
       SUM(season.weight_kg) AS kg,
       SUM(sold.income) AS income,
       COALESCE(COUNT(visits.hive_id), 0) AS visited,
       CASE
         WHEN SUM(season.weight_kg) > 20 THEN 'good'
         WHEN SUM(season.weight_kg) > 60 THEN 'very good'
         ELSE 'poor'
       END AS season
FROM apiaries AS a
JOIN keepers AS k ON k.keeper_id = a.keeper_id
LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id
LEFT JOIN season ON season.hive_id = h.hive_id
LEFT JOIN sold ON sold.harvest_id = season.harvest_id
LEFT JOIN visits ON visits.hive_id = h.hive_id
WHERE visits.most_mites < 10
GROUP BY a.apiary_id, a.name, k.name, k.village
ORDER BY SUM(season.weight_kg) DESC;
