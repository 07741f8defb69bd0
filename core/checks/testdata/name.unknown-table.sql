-- dialect: sqlite
SELECT name FROM hive; -- want "name.unknown-table"
SELECT name FROM queen AS q WHERE q.queen_id = 1; -- want "name.unknown-table"
SELECT h.name FROM hives AS h JOIN aparies AS a ON a.apiary_id = h.apiary_id; -- want "name.unknown-table"
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM inspection); -- want "name.unknown-table"
INSERT INTO sails (sale_id) VALUES (1); -- want "name.unknown-table"
UPDATE hyves SET name = 'Ash' WHERE hive_id = 1; -- want "name.unknown-table"
DELETE FROM swarms_of_old WHERE swarm_id = 1; -- want "name.unknown-table"
WITH heavy AS (SELECT hive_id FROM harvests WHERE weight_kg > 20) SELECT hive_id FROM heavy;
WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 5) SELECT i FROM n;
SELECT name FROM sqlite_master WHERE type = 'table';
SELECT value FROM json_each('[1, 2]');
CREATE TABLE swarm (swarm_id integer PRIMARY KEY, seen_on date);
SELECT swarm_id FROM swarm WHERE seen_on > '2026-01-01';
CREATE TEMP TABLE light AS SELECT hive_id, weight_kg FROM harvests WHERE weight_kg < 5;
SELECT hive_id FROM light;
DROP TABLE swarm;
SELECT swarm_id FROM swarm; -- want "name.unknown-table"
SELECT name FROM (SELECT name FROM hives) AS inner_hives;
SELECT name FROM HIVES;
CREATE INDEX by_name ON hive (name); -- want "name.unknown-table"
CREATE TABLE colonies (name text);
CREATE INDEX by_colony ON colonies (name);
