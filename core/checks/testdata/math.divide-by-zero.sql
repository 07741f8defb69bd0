-- dialect: mariadb, possible
-- checks: math.divide-by-zero
SELECT 1 / 0 AS x, frame_count % (0.0) AS y FROM hives; -- want "math.divide-by-zero" "math.divide-by-zero"
SELECT hive_id, SUM(weight_kg) / COUNT(moisture) AS x FROM harvests GROUP BY hive_id;
SELECT weight_kg / (moisture - weight_kg) AS x FROM harvests;
