-- dialect: oracle
-- checks: write.trigger-row
CREATE TRIGGER swarm_a AFTER INSERT ON hives FOR EACH ROW BEGIN :NEW.name := UPPER(:NEW.name); END; -- want "write.trigger-row"
/
CREATE TRIGGER swarm_b BEFORE UPDATE ON hives FOR EACH ROW BEGIN :old.name := :new.name; END; -- want "write.trigger-row"
/
CREATE TRIGGER swarm_c BEFORE INSERT OR UPDATE ON hives FOR EACH ROW BEGIN :NEW.nam := 'x'; END; -- want "write.trigger-row"
/
CREATE TRIGGER swarm_d BEFORE INSERT OR DELETE ON hives FOR EACH ROW BEGIN IF INSERTING THEN :NEW.name := NVL(:NEW.name, :OLD.name); END IF; END;
/
CREATE TRIGGER swarm_e BEFORE INSERT ON hives REFERENCING NEW AS n FOR EACH ROW BEGIN :n.name := :n.nam; END;
/
