-- dialect: mysql
-- checks: name.unknown-column, name.unknown-alias

-- the row to insert has a name, and its columns may have
CREATE TABLE swarms (swarm_id int PRIMARY KEY, place varchar(40), caught date);
INSERT INTO swarms VALUES (1, 'Ash', '2026-01-01') AS fresh ON DUPLICATE KEY UPDATE place = fresh.place;
INSERT INTO swarms VALUES (1, 'Ash', '2026-01-01') AS fresh (a, b, c) ON DUPLICATE KEY UPDATE place = b, caught = fresh.c;
INSERT INTO swarms VALUES (1, 'Ash', '2026-01-01') AS fresh ON DUPLICATE KEY UPDATE place = old_place; -- want "name.unknown-column"
INSERT INTO swarms VALUES (1, 'Ash', '2026-01-01') AS fresh ON DUPLICATE KEY UPDATE place = other.place; -- want "name.unknown-alias"
CREATE VIEW lock_waits_of_swarm AS SELECT 1 AS x; SELECT w.requesting_trx_id FROM information_schema.lock_waits_of_swarm AS w;
