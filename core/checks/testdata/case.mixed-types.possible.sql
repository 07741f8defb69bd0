-- dialect: mariadb, possible
SELECT CASE WHEN frame_count > 8 THEN name ELSE frame_count END AS x FROM hives; -- want "case.mixed-types"
SELECT CASE WHEN frame_count > 8 THEN 1 ELSE frame_count END AS x FROM hives;
