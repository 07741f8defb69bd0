-- dialect: postgres
-- checks: definition.two-primary-keys
CREATE TABLE colonies (hive_id integer PRIMARY KEY, seen_on date PRIMARY KEY); -- want "definition.two-primary-keys"
CREATE TABLE colonies (hive_id integer PRIMARY KEY, seen_on date, PRIMARY KEY (hive_id, seen_on)); -- want "definition.two-primary-keys"
