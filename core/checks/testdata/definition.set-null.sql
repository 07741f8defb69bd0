-- dialect: postgres
-- checks: definition.set-null
CREATE TABLE colonies (hive_id integer NOT NULL REFERENCES hives (hive_id) ON DELETE SET NULL); -- want "definition.set-null"
CREATE TABLE colonies (hive_id integer NOT NULL, FOREIGN KEY (hive_id) REFERENCES hives (hive_id) ON UPDATE SET NULL); -- want "definition.set-null"
CREATE TABLE colonies (hive_id integer REFERENCES hives (hive_id) ON DELETE SET NULL);
CREATE TABLE colonies (hive_id integer NOT NULL REFERENCES hives (hive_id) ON DELETE CASCADE);
CREATE TABLE colonies (hive_id integer NOT NULL DEFAULT 1 REFERENCES hives (hive_id) ON DELETE SET DEFAULT);
