-- dialect: postgres
-- checks: write.column-twice
INSERT INTO queens (queen_id, name, bred_in, queen_id) VALUES (900, 'Ada', 2026, 901); -- want "write.column-twice"
UPDATE hives SET Frame_Count = 8, /* again */ frame_count = 9; -- want "write.column-twice"
UPDATE hives SET frame_count = 8, keeper_id = frame_count WHERE hive_id = 1;
INSERT INTO queens (queen_id, name, bred_in) VALUES (900, 'Ada', 2026) ON CONFLICT (queen_id) DO UPDATE SET name = 'Ada';
