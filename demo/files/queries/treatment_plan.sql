-- Hives whose last count was high and that had no treatment since.
SELECT h.hive_id, h.name, last_round.mites
FROM hives AS h
JOIN (
  SELECT i.hive_id, i.mites, i.inspected_at
  FROM inspections AS i
  WHERE NOT EXISTS (
    SELECT 1
    FROM inspections AS later
    WHERE later.hive_id = i.hive_id
      AND later.inspected_at > i.inspected_at
  )
) AS last_round ON last_round.hive_id = h.hive_id
WHERE last_round.mites >= 5
  AND NOT EXISTS (
    SELECT 1
    FROM treatments AS t
    WHERE t.hive_id = h.hive_id
      AND t.treated_on >= last_round.inspected_at
  )
ORDER BY last_round.mites DESC, h.hive_id;
