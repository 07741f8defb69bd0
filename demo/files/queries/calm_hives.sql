-- Calm hives for the visitors, in apiary 1 or 2.
SELECT h.hive_id, h.name, i.temper
FROM hives AS h
JOIN inspections AS i ON i.hive_id = h.hive_id
WHERE i.temper <= 2
  AND h.apiary_id = 1 OR h.apiary_id = 2
ORDER BY h.name;

-- Hives to check first: many mites, or cross and old.
SELECT DISTINCT i.hive_id
FROM inspections AS i
WHERE i.mites > 9
   OR i.temper = 5 AND i.inspected_at < '2025-01-01';
