-- dialect: sqlite
SELECT apiary_id, COUNT(*) FROM hives GROUP BY (apiary_id, frame_count); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) = (1, 8, 0); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) IN (VALUES (1, 8), (2, 9));
SELECT name FROM hives WHERE (hive_id, frame_count) > (1, 8);
SELECT name FROM hives WHERE (hive_id, frame_count) IS (1, 8);
SELECT name FROM hives WHERE (hive_id, frame_count) IS NOT (1, 8, 0); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) IS DISTINCT FROM (SELECT 1, 8);
SELECT name FROM hives WHERE (hive_id, frame_count) BETWEEN (1, 2) AND (3, 2);
INSERT INTO queens (queen_id, name, bred_in) VALUES ((901, 'Ada', 2026)); -- want "write.value-count"
