-- How many hives and frames does each keeper look after?
SELECT k.keeper_id,
       k.name,
       COUNT(*) AS hives,
       SUM(h.frame_count) AS frames
FROM keepers AS k
JOIN hives AS h ON h.keeper_id = k.keeper_id
GROUP BY k.keeper_id, k.name
ORDER BY frames DESC, k.name;

-- The same for one village, the big ones only.
SELECT k.village,
       COUNT(*) AS hives
FROM keepers AS k
JOIN hives AS h ON h.keeper_id = k.keeper_id
GROUP BY k.village
HAVING k.village = 'Saltby'
   AND COUNT(*) > 2;
