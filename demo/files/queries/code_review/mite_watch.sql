-- Hives to look at first: their last count, its place in the apiary, and how counts go.
SELECT ranked.apiary,
       ranked.hive,
       ranked.mites,
       ranked.place
FROM (
  SELECT a.name AS apiary,
         h.name AS hive,
         i.mites,
         RANK() OVER (PARTITION BY a.apiary_id) AS place,
         SUM(i.mites) OVER (PARTITION BY h.hive_id ORDER BY i.inspected_at) AS so_far,
         LAST_VALUE(i.mites) OVER (PARTITION BY h.hive_id ORDER BY i.inspected_at) AS latest
  FROM hives AS h
  JOIN apiaries AS a ON a.apiary_id = h.apiary_id
  JOIN inspections AS i ON i.hive_id = h.hive_id
  WHERE i.mites IS NOT NULL
    AND i.temper IS NOT NULL
) AS ranked
WHERE ranked.place <= 3
  AND ranked.mites = ranked.latest
UNION
SELECT a.name,
       h.name,
       i.mites,
       0
FROM hives AS h
JOIN apiaries AS a ON a.apiary_id = h.hive_id
JOIN inspections AS i ON i.hive_id = h.hive_id
WHERE EXISTS (
        SELECT 1
        FROM treatments AS t
        WHERE t.substance LIKE 'oxalic'
      )
  AND (SELECT COUNT(*)
       FROM treatments AS t
       WHERE t.hive_id = h.hive_id) = 0
ORDER BY mites DESC, apiary, hive, place
LIMIT 20;
