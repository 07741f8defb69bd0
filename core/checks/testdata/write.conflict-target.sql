-- dialect: sqlite
-- checks: write.conflict-target
INSERT INTO apiaries (apiary_id, name, keeper_id) VALUES (900, 'Ash', 1) ON CONFLICT (keeper_id) DO UPDATE SET keeper_id = 2; -- want "write.conflict-target"
INSERT INTO apiaries (apiary_id, name, keeper_id) VALUES (900, 'Ash', 1) ON CONFLICT (apiary_id, name) DO NOTHING; -- want "write.conflict-target"
INSERT INTO apiaries (apiary_id, name, keeper_id) VALUES (900, 'Ash', 1) ON CONFLICT ("name") DO NOTHING;
INSERT INTO apiaries (apiary_id, name, keeper_id) VALUES (900, 'Ash', 1) ON CONFLICT DO NOTHING;
