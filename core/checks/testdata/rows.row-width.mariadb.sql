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
SELECT name FROM hives WHERE (hive_id, (frame_count, 2)) IN (SELECT hive_id, queen_id FROM hives); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, (frame_count, 2)) = (SELECT 1, 2); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) > ANY (SELECT hive_id, 2 FROM harvests); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) = ALL (SELECT hive_id, 2 FROM harvests); -- want "rows.row-width"
SELECT name FROM hives WHERE (hive_id, frame_count) = ANY (SELECT hive_id, 2 FROM harvests);
SELECT name FROM hives WHERE (hive_id, 2) BETWEEN (1, 2) AND (3, 2); -- want "rows.row-width"
INSERT INTO queens (queen_id, name, bred_in) VALUES ((901, 'Ada', 2026)); -- want "write.value-count"
SELECT name FROM hives WHERE (hive_id, 2) IN ((21, 2), ((1, 2), 0)); -- want "rows.row-width"
