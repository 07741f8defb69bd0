-- dialect: mariadb
-- checks: null.test-on-required, name.variable-hides-column
CREATE PROCEDURE hives_called(name varchar(40), hive_id int) SELECT 1 FROM hives AS h WHERE (h.name = name OR name IS NULL) AND (h.hive_id = hive_id OR hive_id IS NULL);
CREATE PROCEDURE name_hive(name varchar(40)) INSERT INTO hives (hive_id, name) VALUES (1, name) ON DUPLICATE KEY UPDATE name = VALUES(name);
CREATE PROCEDURE hives_kept(p_name varchar(40)) SELECT 1 FROM hives AS h WHERE h.name = p_name OR name IS NULL; -- want "null.test-on-required"
