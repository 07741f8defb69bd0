-- dialect: mysql
-- checks: definition.already-there
CREATE TABLE swarm_a (hive_id int, other_id int, CONSTRAINT a1 FOREIGN KEY host (hive_id) REFERENCES hives (hive_id), CONSTRAINT a2 FOREIGN KEY host (other_id) REFERENCES hives (hive_id));
CREATE TABLE swarm_b (hive_id int, other_id int, CONSTRAINT b1 FOREIGN KEY host (hive_id) REFERENCES hives (hive_id), FOREIGN KEY host (other_id) REFERENCES hives (hive_id));
CREATE TABLE swarm_c (hive_id int, other_id int, FOREIGN KEY host (hive_id) REFERENCES hives (hive_id), FOREIGN KEY host (other_id) REFERENCES hives (hive_id)); -- want "definition.already-there"
CREATE TABLE swarm_d (hive_id int, other_id int, CONSTRAINT d1 UNIQUE host (hive_id), CONSTRAINT d2 UNIQUE host (other_id)); -- want "definition.already-there"
