-- dialect: sqlserver
SELECT COALESCE(queen_id, 'none') AS x FROM hives; -- want "case.mixed-types"
SELECT ISNULL(queen_id, 'none') AS x FROM hives; -- want "case.mixed-types"
SELECT CASE WHEN frame_count > 8 THEN 'large' WHEN frame_count > 4 THEN frame_count END AS x FROM hives; -- want "case.mixed-types"
SELECT COALESCE(queen_id, '0') AS a, COALESCE(name, 'none') AS b, CASE WHEN frame_count > 8 THEN frame_count * 1.5 ELSE 0 END AS c FROM hives; -- want "null.needless-coalesce"
SELECT COALESCE(CAST(queen_id AS varchar(10)), 'none') AS a FROM hives;
