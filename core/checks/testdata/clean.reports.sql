-- dialect: postgres
-- Reports as careful people write them. Nothing is to be found in them.
SELECT k.keeper_id,
       k.name,
       COUNT(h.hive_id) AS hives,
       COALESCE(SUM(h.frame_count), 0) AS frames
FROM keepers AS k
LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id
GROUP BY k.keeper_id, k.name
HAVING COUNT(h.hive_id) < 5
ORDER BY hives DESC, k.name;

WITH per_hive AS (
  SELECT g.hive_id, SUM(g.weight_kg) AS kg, COUNT(*) AS harvests
  FROM harvests AS g
  WHERE g.taken_on >= DATE '2026-01-01'
    AND g.taken_on < DATE '2027-01-01'
  GROUP BY g.hive_id
)
SELECT h.hive_id, h.name, COALESCE(p.kg, 0) AS kg, COALESCE(p.harvests, 0) AS harvests
FROM hives AS h
LEFT JOIN per_hive AS p ON p.hive_id = h.hive_id
ORDER BY kg DESC, h.hive_id;

SELECT a.name AS apiary,
       AVG(i.mites) AS mean_mites,
       MAX(i.mites) AS most_mites,
       COUNT(*) FILTER (WHERE i.mites > 5) AS alarms
FROM apiaries AS a
JOIN hives AS h ON h.apiary_id = a.apiary_id
JOIN inspections AS i ON i.hive_id = h.hive_id
WHERE i.inspected_at >= TIMESTAMP '2026-04-01 00:00:00'
  AND i.inspected_at < TIMESTAMP '2026-10-01 00:00:00'
GROUP BY a.apiary_id, a.name
ORDER BY a.name;

SELECT latest.hive_id, latest.mites
FROM (
  SELECT i.hive_id,
         i.mites,
         ROW_NUMBER() OVER (PARTITION BY i.hive_id ORDER BY i.inspected_at DESC, i.inspection_id DESC) AS place
  FROM inspections AS i
) AS latest
WHERE latest.place = 1;

SELECT q.name, mother.name AS mother
FROM queens AS q
LEFT JOIN queens AS mother ON mother.queen_id = q.mother_id
WHERE q.bred_in BETWEEN 2023 AND 2026
ORDER BY q.name, q.queen_id;

SELECT q.name
FROM queens AS q
LEFT JOIN hives AS h ON h.queen_id = q.queen_id
WHERE h.hive_id IS NULL;

SELECT h.name
FROM hives AS h
WHERE EXISTS (SELECT 1 FROM treatments AS t WHERE t.hive_id = h.hive_id AND t.substance = 'oxalic')
  AND NOT EXISTS (SELECT 1 FROM harvests AS g WHERE g.hive_id = h.hive_id);

SELECT h.name,
       CASE
         WHEN h.frame_count < 6 THEN 'small'
         WHEN h.frame_count < 11 THEN 'middle'
         ELSE 'large'
       END AS size
FROM hives AS h
ORDER BY h.name, h.hive_id;

SELECT g.harvest_id,
       g.taken_on,
       SUM(g.weight_kg) OVER (ORDER BY g.taken_on, g.harvest_id ROWS UNBOUNDED PRECEDING) AS so_far,
       g.weight_kg - LAG(g.weight_kg) OVER (PARTITION BY g.hive_id ORDER BY g.taken_on, g.harvest_id) AS change
FROM harvests AS g;

SELECT 'hive' AS kind, h.hive_id AS id, h.name FROM hives AS h
UNION ALL
SELECT 'queen', q.queen_id, q.name FROM queens AS q
ORDER BY kind, id;

SELECT b.name, b.village
FROM buyers AS b
WHERE b.village IS NOT NULL
  AND LOWER(b.village) LIKE 'up%';

SELECT a.name, b.name AS neighbour
FROM hives AS a
JOIN hives AS b ON b.apiary_id = a.apiary_id AND b.hive_id > a.hive_id;

WITH RECURSIVE line AS (
  SELECT q.queen_id, q.name, 1 AS generation
  FROM queens AS q
  WHERE q.mother_id IS NULL
  UNION ALL
  SELECT d.queen_id, d.name, l.generation + 1
  FROM queens AS d
  JOIN line AS l ON l.queen_id = d.mother_id
)
SELECT name, generation FROM line ORDER BY generation, name, queen_id;

SELECT EXTRACT(ISOYEAR FROM g.taken_on) AS year, EXTRACT(WEEK FROM g.taken_on) AS week, SUM(g.weight_kg) AS kg
FROM harvests AS g
GROUP BY EXTRACT(ISOYEAR FROM g.taken_on), EXTRACT(WEEK FROM g.taken_on)
ORDER BY year, week;

SELECT COUNT(*) AS hives, COUNT(h.moved_on) AS moved, 100.0 * COUNT(h.moved_on) / NULLIF(COUNT(*), 0) AS share
FROM hives AS h;

SELECT CASE WHEN GROUPING(a.name) = 1 THEN 'all' ELSE a.name END AS apiary, SUM(h.frame_count) AS frames
FROM apiaries AS a
JOIN hives AS h ON h.apiary_id = a.apiary_id
GROUP BY ROLLUP (a.name);

SELECT s.sale_id, s.jars * COALESCE(s.price, 0) AS income
FROM sales AS s
WHERE s.sold_at >= '2026-05-01' AND s.sold_at < '2026-06-01'
ORDER BY s.sale_id
LIMIT 20 OFFSET 40;

SELECT h.name, x.mites
FROM hives AS h
CROSS JOIN LATERAL (
  SELECT i.mites FROM inspections AS i WHERE i.hive_id = h.hive_id ORDER BY i.inspected_at DESC, i.inspection_id LIMIT 1
) AS x;

SELECT k.name || COALESCE(', ' || k.village, '') AS title FROM keepers AS k;

SELECT h.hive_id FROM hives AS h
EXCEPT
SELECT t.hive_id FROM treatments AS t;
