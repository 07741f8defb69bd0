-- dialect: sqlite
UPDATE hives SET frame_count = 'ten' WHERE hive_id = 901; -- want "type.literal"
INSERT INTO sales VALUES (900, 1, 1, '2026-05-01', '3 jars', 5.5); -- want "type.literal"
UPDATE hives SET frame_count = '10', moved_on = 'soon' WHERE hive_id = 901;
