-- dialect: postgres
UPDATE hives SET frame_count = name WHERE hive_id = 1; -- want "write.value-type"
UPDATE hives AS h SET moved_on = (h.frame_count), name = 'x' WHERE hive_id = 1; -- want "write.value-type"
UPDATE hives SET (frame_count, moved_on) = (8, 9) WHERE hive_id = 1; -- want "write.value-type"
UPDATE hives SET frame_count = (SELECT MAX(name) FROM queens) WHERE hive_id = 1; -- want "write.value-type"
INSERT INTO harvests VALUES (900, CURRENT_DATE, '2026-06-30', 12.5, 17); -- want "write.value-type"
INSERT INTO keepers (keeper_id, name, joined_on) SELECT keeper_id + 900, joined_on, name FROM keepers; -- want "write.columns-swapped" "write.value-type"
MERGE INTO hives AS h USING keepers AS k ON h.keeper_id = k.keeper_id WHEN MATCHED THEN UPDATE SET frame_count = k.name; -- want "write.value-type"
UPDATE hives SET name = frame_count, frame_count = 8.5, moved_on = NOW(), queen_id = NULL WHERE hive_id = 1;
UPDATE hives SET frame_count = CAST(name AS integer) WHERE hive_id = 901;
INSERT INTO keepers (keeper_id, name, village, joined_on) SELECT keeper_id + 900, name, mentor_id, joined_on FROM keepers;
INSERT INTO harvests (harvest_id, hive_id, taken_on, weight_kg) VALUES (900, 1, '2026-06-30', 12), (901, 1, CURRENT_DATE, 12.5);
