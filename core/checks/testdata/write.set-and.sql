-- dialect: postgres
UPDATE hives SET frame_count = 9 AND moved_on = NULL WHERE hive_id = 7; -- want "write.set-and"
update hives set name = 'Ash' and frame_count = 9 and queen_id = 3; -- want "write.set-and"
UPDATE hives SET frame_count = (9) /* frames */ AND /* since */ moved_on = '2026-05-01' WHERE hive_id = 1; -- want "write.set-and"
UPDATE hives SET name = name || 'a' AND frame_count = 9 WHERE hive_id = 1; -- want "write.set-and"
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (9, 'Ash', 1, 1, 8) ON CONFLICT (hive_id) DO UPDATE SET frame_count = 9 AND name = 'x'; -- want "write.set-and"
UPDATE hives SET frame_count = 9, moved_on = NULL WHERE hive_id = 7 AND name = 'Ash';
UPDATE hives SET name = 'true' AND frame_count = 9;
UPDATE hives SET frame_count = CASE WHEN name = 'Ash' AND hive_id = 7 THEN 1 ELSE 2 END WHERE hive_id = 7;
UPDATE hives SET frame_count = (SELECT COUNT(*) FROM queens WHERE colour = 'red' AND bred_in = 2024);
