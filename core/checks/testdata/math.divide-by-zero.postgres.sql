-- dialect: postgres, possible
-- checks: math.divide-by-zero
SELECT hive_id, SUM(weight_kg) / COUNT(moisture) AS x FROM harvests GROUP BY hive_id; -- want "math.divide-by-zero"
SELECT weight_kg / (moisture - weight_kg) AS x FROM harvests WHERE harvest_id < 0; -- want "math.divide-by-zero"
SELECT CASE WHEN moisture <> weight_kg THEN weight_kg / (moisture - weight_kg) END AS x FROM harvests;
SELECT weight_kg / NULLIF(moisture - weight_kg, 0) AS x, weight_kg / 0.01 AS y FROM harvests;
