-- dialect: mysql
CREATE TABLE swarms (a int STORAGE DISK, b int STORAGE DEFAULT NOT NULL, c int COLUMN_FORMAT DEFAULT);
CREATE TABLE swarm_a (swarm_id TINYINT AUTO_INCREMENT NOT NULL KEY); CREATE TABLE swarm_b (swarm_id INT KEY, seen SERIAL);
CREATE TABLE swarm_c (x INT, y BIGINT UNSIGNED, FOREIGN KEY (x) REFERENCES swarm_b (swarm_id), FOREIGN KEY (y) REFERENCES swarm_b (seen));
CREATE TABLE swarm_d (u INT NOT NULL, a INT, UNIQUE (u), KEY (a)); CREATE TABLE swarm_e (x INT, y INT, FOREIGN KEY (x, y) REFERENCES swarm_d (a, u));
DROP TABLES swarm_e, swarm_d; CREATE TABLE swarm_d (a INT CHECK (a < 10) NOT ENFORCED, b INT, CONSTRAINT few CHECK (b < 5)); INSERT INTO swarm_d VALUES (12, 3);
ALTER TABLE swarm_d ALTER CHECK few NOT ENFORCED; INSERT INTO swarm_d VALUES (2, 6);
CREATE DATABASE swarm_wax; CREATE TABLE swarm_wax.swarm_f (a INT); DROP DATABASE swarm_wax; CREATE DATABASE swarm_wax; CREATE TABLE swarm_wax.swarm_f (b INT); SELECT b FROM swarm_wax.swarm_f;
USE swarm_wax; CREATE TABLE swarm_g (a int); DROP DATABASE swarm_wax; CREATE DATABASE swarm_wax; USE swarm_wax; CREATE TABLE swarm_g (b int); SELECT b FROM swarm_g;
CREATE TABLE swarm_h (a INT PRIMARY KEY); ALTER TABLE swarm_h DROP CONSTRAINT `primary`; ALTER TABLE swarm_h ADD PRIMARY KEY (a); SELECT my_row_id FROM swarm_h;
SELECT a.swarm_id FROM swarm_a AS a JOIN swarm_b AS b NATURAL JOIN swarm_c AS c ON a.swarm_id = b.seen; SELECT NOW() + INTERVAL +1 YEAR;
CREATE PROCEDURE measure() ANALYZE TABLE swarm_a UPDATE HISTOGRAM ON swarm_id;
INSERT INTO swarm_d VALUES (1, _binary 'G'), (2, _utf8mb4 'G'), (3, _binary'x');
INSERT INTO swarm_h (a) SELECT swarm_id FROM swarm_b ON DUPLICATE KEY UPDATE a = seen;
