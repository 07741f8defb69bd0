-- dialect: mysql
-- checks: clause.rows-nowhere
CREATE TRIGGER swarm_in BEFORE INSERT ON hives FOR EACH ROW BEGIN SELECT 1; END; -- want "clause.rows-nowhere"
CREATE FUNCTION swarm_count() RETURNS int BEGIN DECLARE n int; DECLARE c CURSOR FOR SELECT name FROM hives; IF n IS NULL THEN SELECT COUNT(*) FROM hives; END IF; RETURN n; END; -- want "clause.rows-nowhere"
CREATE FUNCTION swarm_ids() RETURNS int BEGIN DECLARE n int; SELECT COUNT(*) INTO n FROM hives; SET n = (SELECT 1); RETURN (SELECT n); END;
CREATE PROCEDURE swarm_names() BEGIN SELECT name FROM hives; END;
