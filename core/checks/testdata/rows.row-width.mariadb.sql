-- dialect: mariadb
SELECT (hive_id, name) FROM hives; -- want "rows.row-width"
SELECT (hive_id), (name) FROM hives;
SELECT name FROM hives ORDER BY (name, hive_id); -- want "rows.row-width"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY (apiary_id, frame_count); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) IN ((1, 8), (2, 9));
SELECT name FROM hives WHERE (1, 8, 0) = (hive_id, frame_count); -- want "rows.row-width"
SELECT name FROM hives WHERE (SELECT hive_id, name, frame_count FROM hives WHERE hive_id = 1) = (1, 'Ash'); -- want "rows.row-width"
SELECT name FROM hives WHERE NOT (hive_id, frame_count) = 8; -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, (frame_count, apiary_id)) IN ((1, (8, 2)), (2, (9, 1)));
SELECT name FROM hives WHERE (hive_id, frame_count) <> (SELECT 1, 8);
