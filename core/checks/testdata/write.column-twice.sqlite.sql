-- dialect: sqlite
-- checks: write.column-twice
UPDATE hives SET frame_count = 8, frame_count = 9 WHERE hive_id = 1; -- want "write.column-twice"
INSERT INTO queens (queen_id, name, bred_in, name) VALUES (900, 'Ada', 2026, 'Bea'); -- want "write.column-twice"
