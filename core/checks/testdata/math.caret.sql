-- dialect: mariadb
-- checks: math.caret
SELECT SQRT(weight_kg ^ 2 + (moisture) ^ 2) AS x FROM harvests; -- want "math.caret" "math.caret"
SELECT frame_count ^ 1 AS x, frame_count ^ 8 AS y, 1 ^ 2 AS z, POW(frame_count, 2) AS p FROM hives;
