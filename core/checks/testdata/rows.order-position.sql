-- dialect: postgres, possible
-- checks: rows.order-position
SELECT apiary_id, COUNT(*) AS hives FROM hives GROUP BY apiary_id ORDER BY 2 DESC, 1; -- want "rows.order-position"
SELECT name, frame_count + 1 FROM hives ORDER BY 2; -- want "rows.order-position"
SELECT name FROM hives UNION ALL SELECT name FROM queens ORDER BY 1;
SELECT * FROM hives ORDER BY 1;
SELECT name FROM hives ORDER BY hive_id + 1;
