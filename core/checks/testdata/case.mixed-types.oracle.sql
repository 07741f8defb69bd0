-- dialect: oracle
SELECT CASE WHEN frame_count > 8 THEN name ELSE frame_count END AS x FROM hives; -- want "case.mixed-types"
SELECT CASE WHEN moved_on IS NULL THEN 0 ELSE moved_on END AS x FROM hives; -- want "case.mixed-types"
SELECT COALESCE(queen_id, 'none') AS x FROM hives; -- want "case.mixed-types"
SELECT NVL(moved_on, 0) AS x FROM hives; -- want "case.mixed-types"
SELECT NVL(name, 'none') AS a, NVL(queen_id, 0) AS b, CASE WHEN frame_count > 8 THEN 1.5 ELSE 1 END AS c FROM hives; -- want "null.needless-coalesce"
SELECT CASE WHEN frame_count > 8 THEN name ELSE TO_CHAR(frame_count) END AS x FROM hives;
