-- dialect: mysql
-- checks: clause.ends-transaction
CREATE TRIGGER swarm_a BEFORE INSERT ON hives FOR EACH ROW BEGIN IF NEW.name IS NULL THEN ROLLBACK; END IF; END; -- want "clause.ends-transaction"
CREATE FUNCTION swarm_b() RETURNS int BEGIN START TRANSACTION; RETURN 1; END; -- want "clause.ends-transaction"
CREATE FUNCTION swarm_c() RETURNS int BEGIN ALTER TABLE hives ADD COLUMN kg int; RETURN 1; END; -- want "clause.ends-transaction"
CREATE FUNCTION swarm_d() RETURNS int BEGIN TRUNCATE TABLE hives; RETURN 1; END; -- want "clause.ends-transaction"
CREATE TRIGGER swarm_e AFTER DELETE ON hives FOR EACH ROW BEGIN CREATE TABLE weights (kg int); END; -- want "clause.ends-transaction"
CREATE FUNCTION swarm_f() RETURNS int BEGIN DROP TABLE IF EXISTS weights; RETURN 1; END; -- want "clause.ends-transaction"
CREATE FUNCTION swarm_g() RETURNS int BEGIN SAVEPOINT s; ROLLBACK TO SAVEPOINT s; RELEASE SAVEPOINT s; RETURN 1; END;
CREATE FUNCTION swarm_h() RETURNS int BEGIN CREATE TEMPORARY TABLE t (a int); DROP TEMPORARY TABLE t; RETURN 1; END;
CREATE PROCEDURE swarm_i() BEGIN START TRANSACTION; ALTER TABLE hives ADD COLUMN kg int; COMMIT; END;
CREATE EVENT swarm_j ON SCHEDULE EVERY 1 DAY DO BEGIN COMMIT; END;
