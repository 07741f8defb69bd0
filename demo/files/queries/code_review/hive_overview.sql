-- A view that the office opens all day: every hive with all there is to know.
CREATE VIEW hive_overview AS
SELECT DISTINCT h.hive_id,
       h.name AS hive,
       a.name AS apiary,
       q.name AS queen,
       CASE
         WHEN h.frame_count BETWEEN 0 AND 5 THEN 'small'
         WHEN h.frame_count BETWEEN 5 AND 10 THEN 'middle'
         ELSE 'large'
       END AS size,
       (SELECT i.mites FROM inspections AS i WHERE i.hive_id = h.hive_id ORDER BY i.inspected_at DESC LIMIT 1) AS mites,
       (SELECT g.weight_kg FROM harvests AS g WHERE g.hive_id = h.hive_id) AS last_harvest
FROM hives AS h
JOIN apiaries AS a ON a.apiary_id = h.apiary_id
JOIN queens AS q ON q.queen_id = h.queen_id
LEFT JOIN keepers AS k ON k.keeper_id = h.keeper_id
LEFT JOIN inspections AS seen ON seen.hive_id = h.hive_id AND h.frame_count > 8
WHERE h.name IS NOT NULL
  AND q.colour NOT IN ('blue', NULL)
UNION ALL
SELECT h.hive_id, a.name, h.name, NULL, 'none', NULL, NULL
FROM hives AS h, apiaries AS a
WHERE h.queen_id IS NULL;
