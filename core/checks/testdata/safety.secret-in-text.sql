-- dialect: mariadb
-- checks: safety.secret-in-text
CREATE USER 'honey'@'localhost' IDENTIFIED BY 'golden-acacia'; -- want "safety.secret-in-text"
ALTER USER 'honey'@'localhost' IDENTIFIED BY '${HONEY_PASSWORD}';
GRANT SELECT ON test.* TO 'honey'@'localhost' IDENTIFIED BY 'golden-acacia'; -- want "safety.secret-in-text"
CREATE TABLE doors (door_id integer PRIMARY KEY, password varchar(40) DEFAULT 'none');
SELECT name FROM hives WHERE name = 'golden-acacia';
