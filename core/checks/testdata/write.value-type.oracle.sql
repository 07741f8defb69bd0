-- dialect: oracle
UPDATE hives SET moved_on = frame_count WHERE hive_id = 1; -- want "write.value-type"
UPDATE hives SET frame_count = moved_on WHERE hive_id = 1; -- want "write.value-type"
INSERT INTO keepers (keeper_id, name, joined_on) SELECT keeper_id + 900, name, keeper_id FROM keepers; -- want "write.value-type"
UPDATE hives SET moved_on = moved_on + 1, name = frame_count, frame_count = '8' WHERE hive_id = 1;
INSERT INTO keepers (keeper_id, name, joined_on) SELECT keeper_id + 900, name, joined_on FROM keepers;
