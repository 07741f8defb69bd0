-- dialect: postgres
SELECT name FROM hives WHERE (hive_id, frame_count) = (1, 8, 0); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) = ((1, 8));
SELECT name FROM hives WHERE ROW(hive_id, frame_count) IN (ROW(1, 8), ROW(2, 9, 0)); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, (frame_count, apiary_id)) = (1, (8, 2));
SELECT name FROM hives WHERE (hive_id, (frame_count, apiary_id)) = (1, (8, 2, 3));
SELECT (hive_id, name) FROM hives ORDER BY (name, hive_id);
SELECT name FROM hives WHERE (hive_id, frame_count) = (SELECT hive_id, frame_count FROM hives WHERE hive_id = 1);
SELECT name FROM hives WHERE (hive_id, frame_count) = 3; -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, name) IS NOT NULL;
SELECT name FROM hives WHERE (hive_id, frame_count) IS DISTINCT FROM (1, 2);
SELECT name FROM hives WHERE (hive_id, frame_count) IS DISTINCT FROM (1, 8, 0); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) IS NOT DISTINCT FROM (1, 8);
SELECT name FROM hives WHERE (hive_id, frame_count) > ANY (SELECT hive_id, 2 FROM harvests);
