-- dialect: sqlite
-- checks: syntax.other-dialect
UPDATE hives h SET frame_count = 1 WHERE h.hive_id = 1; -- want "syntax.other-dialect"
UPDATE hives AS h SET frame_count = 1 WHERE h.hive_id = 1;
INSERT INTO buyers AS b (buyer_id, name) VALUES (101, 'Ash') ON CONFLICT (buyer_id) DO UPDATE SET name = excluded.name WHERE b.village IS NULL;
