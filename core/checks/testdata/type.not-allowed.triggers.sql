-- dialect: mariadb
-- checks: type.not-allowed
CREATE TABLE swarm_a (a INT, CHECK (a < 10)); INSERT INTO swarm_a VALUES (12); -- want "type.not-allowed"
CREATE TABLE swarm_b (a INT, CHECK (a < 10));
CREATE TRIGGER few BEFORE INSERT ON swarm_b FOR EACH ROW SET NEW.a = 0;
INSERT INTO swarm_b VALUES (12); UPDATE swarm_b SET a = 13;
