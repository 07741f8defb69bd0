-- dialect: mariadb
-- checks: null.test-on-required
CREATE TABLE swarms (swarm_id integer AUTO_INCREMENT PRIMARY KEY, seen_on date NOT NULL, size integer NOT NULL);
SELECT swarm_id FROM swarms WHERE seen_on IS NULL;
SELECT size FROM swarms WHERE swarm_id IS NULL;
SELECT swarm_id FROM swarms WHERE size IS NULL; -- want "null.test-on-required"
