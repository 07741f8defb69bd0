-- dialect: sqlite
-- checks: write.trigger-row
CREATE TRIGGER swarm_a AFTER INSERT ON hives BEGIN UPDATE keepers SET name = OLD.name WHERE keeper_id = NEW.keeper_id; END; -- want "write.trigger-row"
CREATE TRIGGER swarm_b AFTER UPDATE OF name ON hives WHEN NEW.nam <> OLD.name BEGIN SELECT 1; END; -- want "write.trigger-row"
CREATE TRIGGER swarm_c AFTER UPDATE OF name ON hives WHEN NEW.rowid = OLD.hive_id BEGIN DELETE FROM harvests WHERE hive_id = OLD.hive_id; END;
CREATE VIEW swarm_view AS SELECT name FROM hives;
CREATE TRIGGER swarm_d INSTEAD OF DELETE ON swarm_view BEGIN DELETE FROM hives WHERE name = OLD.name; END;
