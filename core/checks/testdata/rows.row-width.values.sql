-- dialect: mariadb
SELECT 1 + (1, 2) AS n; -- want "rows.row-width"
SELECT ABS((1, 2)) AS n; -- want "rows.row-width"
SELECT GREATEST(ROW(1, 1), 1) AS n; -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) = (1, 8) AND (hive_id, frame_count) IN ((1, 8), (2, 9)) AND ABS((1)) = 1;
