-- dialect: postgres
SELECT CASE WHEN frame_count > 8 THEN name ELSE frame_count END AS x FROM hives; -- want "case.mixed-types"
SELECT CASE frame_count WHEN 8 THEN moved_on WHEN 9 THEN NULL ELSE hive_id END AS x FROM hives; -- want "case.mixed-types"
SELECT COALESCE(moved_on, 'never', frame_count) AS x FROM hives; -- want "case.mixed-types"
SELECT GREATEST(name, hive_id) AS x FROM hives; -- want "case.mixed-types"
SELECT CASE WHEN frame_count > 8 THEN 'large' ELSE frame_count END AS x FROM hives; -- want "type.literal"
SELECT CASE WHEN frame_count > 8 THEN frame_count ELSE 0.5 END AS a, CASE WHEN hive_id > 1 THEN 1 ELSE NULL END AS b, COALESCE(name, 'none') AS c FROM hives; -- want "null.needless-coalesce"
SELECT CASE WHEN frame_count > 8 THEN moved_on ELSE CURRENT_DATE END AS a, COALESCE(moved_on, '2026-01-01') AS b FROM hives;
