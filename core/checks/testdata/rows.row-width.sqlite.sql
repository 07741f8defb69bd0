-- dialect: sqlite
SELECT apiary_id, COUNT(*) FROM hives GROUP BY (apiary_id, frame_count); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) = (1, 8, 0); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) IN (VALUES (1, 8), (2, 9));
SELECT name FROM hives WHERE (hive_id, frame_count) > (1, 8);
