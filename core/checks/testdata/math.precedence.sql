-- dialect: postgres
-- checks: math.precedence
SELECT frame_count-1 * hive_id AS x, frame_count-1 / 2 AS y FROM hives; -- want "math.precedence" "math.precedence"
SELECT name FROM hives WHERE frame_count+hive_id % 2 > 3; -- want "math.precedence"
SELECT frame_count + 1*hive_id AS x, (frame_count+1) * 2 AS y, frame_count+1*2 AS z FROM hives;
SELECT 2 * frame_count+1 AS x FROM hives;
SELECT frame_count + hive_id / 2 AS x FROM hives;
