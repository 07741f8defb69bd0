-- dialect: sqlite
-- checks: write.missing-required
INSERT INTO hives (name, apiary_id, keeper_id, frame_count) VALUES ('Ash', 1, 1, 8);
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (NULL, 'Ash', 1, 1, 8);
INSERT INTO hives (hive_id, name, apiary_id, frame_count) VALUES (900, 'Ash', 1, 8); -- want "write.missing-required"
INSERT OR IGNORE INTO hives (hive_id, name, apiary_id, frame_count) VALUES (900, 'Ash', 1, 8);
