-- dialect: mysql
-- checks: name.unknown-column, name.unknown-alias

-- the row to insert has a name, and its columns may have
INSERT INTO keepers (keeper_id, name, joined_on) VALUES (1, 'Ash', '2026-01-01') AS fresh ON DUPLICATE KEY UPDATE name = fresh.name;
INSERT INTO keepers (keeper_id, name, joined_on) VALUES (1, 'Ash', '2026-01-01') AS fresh (a, b, c) ON DUPLICATE KEY UPDATE name = b, joined_on = fresh.c;
INSERT INTO keepers (keeper_id, name, joined_on) VALUES (1, 'Ash', '2026-01-01') AS fresh ON DUPLICATE KEY UPDATE name = old_name; -- want "name.unknown-column"
INSERT INTO keepers (keeper_id, name, joined_on) VALUES (1, 'Ash', '2026-01-01') AS fresh ON DUPLICATE KEY UPDATE name = other.name; -- want "name.unknown-alias"
