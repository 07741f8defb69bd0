-- dialect: mariadb
CREATE VIEW pairs AS SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id; -- want "name.duplicate-output"
CREATE TABLE pairs_kept AS SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id; -- want "name.duplicate-output"
SELECT 1 FROM (SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id) AS x; -- want "name.duplicate-output"
WITH x AS (SELECT hive_id, weight_kg AS hive_id FROM harvests) SELECT 1 FROM x; -- want "name.duplicate-output"
CREATE VIEW named (hive, queen) AS SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id;
CREATE VIEW told AS SELECT h.name, q.name AS queen FROM hives h JOIN queens q ON q.queen_id = h.queen_id;
SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id;
SELECT 1 FROM hives WHERE (hive_id, hive_id) IN (SELECT hive_id, hive_id FROM harvests);
SELECT 1 FROM hives WHERE EXISTS (SELECT hive_id, hive_id FROM harvests);
SELECT hive_id FROM hives UNION SELECT hive_id FROM harvests;
INSERT INTO sales (sale_id, buyer_id, harvest_id, sold_at, jars) SELECT harvest_id + 900, 1, harvest_id, taken_on, 1 FROM harvests WHERE harvest_id < 0;
CREATE TABLE swarms (swarm_id integer, seen_on date, Seen_On date); -- want "name.duplicate-output"
CREATE VIEW doubled (hive, hive) AS SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id; -- want "name.duplicate-output"
WITH x (a, a) AS (SELECT hive_id, weight_kg FROM harvests) SELECT 1 FROM x; -- want "name.duplicate-output"
WITH x (a, b) AS (SELECT hive_id, weight_kg FROM harvests) SELECT a FROM x;
