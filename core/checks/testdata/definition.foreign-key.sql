-- dialect: postgres
-- checks: definition.foreign-key
CREATE TABLE colonies (hive_id integer, seen_on date, FOREIGN KEY (hive_id, seen_on) REFERENCES hives (hive_id)); -- want "definition.foreign-key"
CREATE TABLE colonies (hive integer REFERENCES hives (frame_count)); -- want "definition.foreign-key"
CREATE TABLE colonies (hive_id integer, keeper_id integer, FOREIGN KEY (hive_id, keeper_id) REFERENCES hives (hive_id, keeper_id)); -- want "definition.foreign-key"
CREATE TABLE colonies (hive text REFERENCES hives (hive_id)); -- want "definition.foreign-key"
CREATE TABLE colonies (hive date, FOREIGN KEY (hive) REFERENCES hives (hive_id)); -- want "definition.foreign-key"
ALTER TABLE queens ADD CONSTRAINT of_hive FOREIGN KEY (name) REFERENCES hives (hive_id); -- want "definition.foreign-key"
CREATE TABLE colonies (hive bigint REFERENCES hives (hive_id), keeper smallint REFERENCES keepers);
CREATE TABLE colonies (colony_id integer PRIMARY KEY, mother integer REFERENCES colonies (colony_id));
CREATE TABLE colonies (hive numeric(9) REFERENCES hives (hive_id)); -- want "definition.foreign-key"
