-- round #: what the apiaries took off
SELECT a.name AS apiary, k.name AS keeper, COUNT(*) AS pulls, SUM(v.weight_kg) AS kg
FROM harvests AS v
JOIN hives AS h ON h.hive_id = v.hive_id
JOIN apiaries AS a ON a.apiary_id = h.apiary_id
JOIN keepers AS k ON k.keeper_id = a.keeper_id
WHERE v.taken_on >= '2026-05-01' AND v.taken_on < '2026-09-01' AND a.altitude_m > # AND v.weight_kg >= 2.5
GROUP BY a.name, k.name
HAVING SUM(v.weight_kg) > 40
ORDER BY kg DESC, apiary
LIMIT 20;
SELECT t.apiary_id, t.hives, t.frames, a.name
FROM (
  SELECT h.apiary_id, COUNT(*) AS hives, SUM(h.frame_count) AS frames
  FROM hives AS h
  WHERE h.moved_on IS NULL OR h.moved_on < '2026-04-01'
  GROUP BY h.apiary_id
) AS t
JOIN apiaries AS a ON a.apiary_id = t.apiary_id
WHERE t.frames > 2 * t.hives AND a.altitude_m BETWEEN 200 AND 900 + # /* metres */
ORDER BY t.frames DESC, a.name;
SELECT h.hive_id, h.name, q.name AS queen
FROM hives AS h
LEFT JOIN queens AS q ON q.queen_id = h.queen_id
WHERE EXISTS (SELECT 1 FROM inspections AS i WHERE i.hive_id = h.hive_id AND i.mites > 3 AND i.temper >= 4)
  AND NOT EXISTS (
    SELECT 1 FROM treatments AS t
    WHERE t.hive_id = h.hive_id AND t.substance = 'thymol' AND t.treated_on >= '2026-07-20'
  )
  AND h.frame_count >= # % 10
ORDER BY h.name, h.hive_id;
WITH first_rounds AS (
  SELECT i.hive_id, MIN(i.inspected_at) AS seen_at, COUNT(i.mites) AS counted
  FROM inspections AS i
  WHERE i.inspected_at >= '2026-01-01 00:00:00' AND i.keeper_id <> #
  GROUP BY i.hive_id
), strong AS (
  SELECT h.hive_id, h.apiary_id, h.name FROM hives AS h WHERE h.frame_count > 8
)
SELECT s.name, s.apiary_id, f.seen_at, f.counted
FROM strong AS s
LEFT JOIN first_rounds AS f ON f.hive_id = s.hive_id
ORDER BY s.apiary_id, s.name;
SELECT h.name,
  CASE WHEN h.frame_count < 5 THEN 'small' WHEN h.frame_count < 10 THEN 'middling' ELSE 'strong' END AS size,
  CASE q.colour WHEN 'blue' THEN 2020 WHEN 'white' THEN 2021 WHEN 'yellow' THEN 2022 ELSE 2023 END AS bred,
  COALESCE(q.name, 'no queen seen') AS queen, UPPER(SUBSTRING(h.name, 1, 3)) AS short_name
FROM hives AS h
LEFT JOIN queens AS q ON q.queen_id = h.queen_id
WHERE h.keeper_id IN (3, 5, 8, #) AND h.name LIKE 'Oak%';
SELECT x.hive_id, x.taken_on, x.weight_kg, x.place
FROM (
  SELECT v.hive_id, v.taken_on, v.weight_kg,
    ROW_NUMBER() OVER (PARTITION BY v.hive_id ORDER BY v.weight_kg DESC, v.harvest_id) AS place,
    SUM(v.weight_kg) OVER (PARTITION BY v.hive_id ORDER BY v.taken_on ROWS BETWEEN UNBOUNDED PRECEDING AND CURRENT ROW) AS so_far
  FROM harvests AS v
  WHERE v.hive_id <= # AND v.moisture IS NOT NULL
) AS x
WHERE x.place <= 3 AND x.so_far > 10;
SELECT h.hive_id, 'treated' AS why, MAX(t.treated_on) AS last_on
FROM hives AS h JOIN treatments AS t ON t.hive_id = h.hive_id
WHERE t.dose_ml > 1.5
GROUP BY h.hive_id
UNION ALL
SELECT v.hive_id, 'wet honey', MAX(v.taken_on)
FROM harvests AS v
WHERE v.moisture > 18.5 AND v.hive_id <> #
GROUP BY v.hive_id
ORDER BY hive_id, why;
INSERT INTO inspections (inspection_id, hive_id, keeper_id, inspected_at, mites, temper, remark)
VALUES (#, 7, 2, '2026-06-14 09:30:00', 4, 3, 'two queen cells, brood on six frames'),
  (#0, 8, 2, '2026-06-14 09:50:00', 1, 2, 'calm, capped honey in the corners'),
  (#1, 9, 2, '2026-06-14 10:15:00', NULL, 5, NULL);
INSERT INTO treatments (treatment_id, hive_id, treated_on, substance, dose_ml)
SELECT 90000 + h.hive_id, h.hive_id, '2026-08-02', 'formic acid', 20.0
FROM hives AS h
WHERE h.apiary_id = # AND h.hive_id NOT IN (
  SELECT t.hive_id FROM treatments AS t WHERE t.treated_on > '2026-07-25'
);
UPDATE hives
SET keeper_id = 4, moved_on = '2026-09-03', frame_count = frame_count - 1
WHERE apiary_id = # AND frame_count > 3 AND EXISTS (
  SELECT 1 FROM harvests AS v WHERE v.hive_id = hives.hive_id AND v.weight_kg > 9.5 AND v.taken_on >= '2026-08-01'
);
DELETE FROM inspections
WHERE inspected_at < '2019-01-01' AND mites IS NULL AND remark IS NULL AND hive_id IN (
  SELECT h.hive_id FROM hives AS h WHERE h.moved_on < '2018-01-01' AND h.keeper_id = #
);
SELECT k.keeper_id, k.name, m.name AS mentor,
  (SELECT COUNT(*) FROM hives AS h WHERE h.keeper_id = k.keeper_id) AS hives,
  (SELECT MAX(i.inspected_at) FROM inspections AS i WHERE i.keeper_id = k.keeper_id AND i.temper < 5) AS last_round
FROM keepers AS k
LEFT JOIN keepers AS m ON m.keeper_id = k.mentor_id
WHERE k.joined_on < '2025-01-01' AND (k.village = 'Underhill' OR k.village = 'Moss End' OR k.keeper_id > #)
ORDER BY hives DESC, k.name;
