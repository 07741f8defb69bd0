-- dialect: oracle
-- checks: clause.ends-transaction
CREATE TRIGGER swarm_a BEFORE UPDATE ON hives FOR EACH ROW BEGIN UPDATE sites SET kg = 1 WHERE site_id = :NEW.site_id; COMMIT; END; -- want "clause.ends-transaction"
/
CREATE TRIGGER swarm_b FOR UPDATE ON hives COMPOUND TRIGGER AFTER STATEMENT IS BEGIN ROLLBACK; END AFTER STATEMENT; END; -- want "clause.ends-transaction"
/
CREATE TRIGGER swarm_c BEFORE UPDATE ON hives FOR EACH ROW DECLARE PRAGMA AUTONOMOUS_TRANSACTION; BEGIN COMMIT; END;
/
CREATE PROCEDURE swarm_d IS BEGIN COMMIT; END;
/
