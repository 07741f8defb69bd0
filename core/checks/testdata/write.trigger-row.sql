-- dialect: mysql
-- checks: write.trigger-row
CREATE TRIGGER swarm_a BEFORE INSERT ON hives FOR EACH ROW BEGIN IF NEW.frame_count > OLD.frame_count THEN SET NEW.moved_on = OLD.moved_on; END IF; END; -- want "write.trigger-row" "write.trigger-row"
CREATE TRIGGER swarm_b AFTER DELETE ON hives FOR EACH ROW INSERT INTO log VALUES (NEW.hive_id); -- want "write.trigger-row"
CREATE TRIGGER swarm_c BEFORE UPDATE ON hives FOR EACH ROW SET OLD.name = NEW.name; -- want "write.trigger-row"
CREATE TRIGGER swarm_d AFTER INSERT ON hives FOR EACH ROW SET NEW.name = UPPER(NEW.name); -- want "write.trigger-row"
CREATE TRIGGER swarm_e BEFORE UPDATE ON hives FOR EACH ROW SET NEW.frame_cnt = 3; -- want "write.trigger-row"
CREATE TRIGGER swarm_f AFTER UPDATE ON hives FOR EACH ROW BEGIN IF NEW.name <> OLD.nam THEN SET @n = NEW.hive_id; END IF; END; -- want "write.trigger-row"
CREATE TRIGGER swarm_g BEFORE UPDATE ON hives FOR EACH ROW BEGIN SET NEW.name = TRIM(NEW.name); UPDATE keepers AS k SET k.name = NEW.name WHERE k.keeper_id = OLD.keeper_id; END;
CREATE TRIGGER swarm_h AFTER INSERT ON hives FOR EACH ROW BEGIN SET @n = NEW.hive_id; INSERT INTO log (old, new) VALUES (1, NEW.name); END;
CREATE TRIGGER swarm_i AFTER DELETE ON somewhere FOR EACH ROW SET @n = OLD.anything;
CREATE TRIGGER swarm_j AFTER INSERT ON hives FOR EACH ROW INSERT INTO log SELECT old.name FROM queens AS old;
