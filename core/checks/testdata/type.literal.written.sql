-- dialect: mariadb
INSERT INTO sales VALUES (900, 1, 1, '2026-05-01', '3 jars', 5.5); -- want "type.literal"
UPDATE hives SET frame_count = 'ten' WHERE hive_id = 1; -- want "type.literal"
UPDATE hives SET moved_on = 'soon' WHERE hive_id = 1; -- want "type.literal"
INSERT INTO sales VALUES (900, 1, 1, '2026-05-01', '3', '5.5');
INSERT IGNORE INTO sales VALUES (901, 1, 1, '2026-05-01', '3 jars', 5.5)
