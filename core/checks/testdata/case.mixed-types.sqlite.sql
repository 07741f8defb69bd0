-- dialect: sqlite, possible
SELECT CASE WHEN frame_count > 8 THEN name ELSE frame_count END AS x FROM hives; -- want "case.mixed-types"
SELECT COALESCE(queen_id, 'none') AS x FROM hives; -- want "case.mixed-types"
SELECT CASE WHEN frame_count > 8 THEN 1.5 ELSE frame_count END AS x, COALESCE(name, 'none') AS y FROM hives; -- want "null.needless-coalesce"
