-- dialect: mariadb
-- checks: write.value-count
INSERT INTO buyers VALUES (91, 'Ash'); -- want "write.value-count"
INSERT INTO buyers VALUES (91, 'Ash', 'Oakham', 1, 2); -- want "write.value-count"
INSERT INTO buyers SELECT keeper_id, name FROM keepers; -- want "write.value-count"
INSERT INTO buyers VALUES (91, 'Ash', 'Oakham', 1), (92, 'Elm', NULL, 1);
INSERT INTO buyers SELECT keeper_id, name, village, keeper_id FROM keepers WHERE keeper_id > 1000;
CREATE TABLE swarms (swarm_id int, place varchar(9) INVISIBLE, kg int AS (swarm_id * 2) STORED);
INSERT INTO swarms VALUES (1);
INSERT INTO somewhere VALUES (1);
