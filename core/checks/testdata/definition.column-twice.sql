-- dialect: postgres
-- checks: definition.column-twice
CREATE TABLE colonies (hive_id integer, seen_on date, PRIMARY KEY (hive_id, hive_id)); -- want "definition.column-twice"
CREATE TABLE colonies (hive_id integer, seen_on date, UNIQUE (seen_on, hive_id, seen_on)); -- want "definition.column-twice"
CREATE TABLE colonies (hive_id integer, seen_on date, PRIMARY KEY (hive_id, seen_on), UNIQUE (seen_on));
