-- dialect: sqlite
-- checks: write.replace-erases
REPLACE INTO buyers (buyer_id, name) VALUES (1, 'Ash'), (2, 'Elm'); -- want "write.replace-erases"
INSERT OR REPLACE INTO apiaries (name, keeper_id) VALUES ('Heath', 1); -- want "write.replace-erases"
INSERT OR REPLACE INTO buyers (buyer_id, name) SELECT keeper_id, name FROM keepers; -- want "write.replace-erases"
INSERT OR REPLACE INTO buyers (name, village) VALUES ('Ash', 'Elm');
INSERT OR REPLACE INTO buyers VALUES (1, 'Ash', 'Elm', NULL);
INSERT INTO buyers (buyer_id, name) VALUES (1, 'Ash') ON CONFLICT (buyer_id) DO UPDATE SET name = excluded.name;
