-- dialect: oracle
-- checks: write.missing-required
INSERT INTO harvests (harvest_id, taken_on, weight_kg) VALUES (1, DATE '2026-07-01', 12);
INSERT INTO sales (harvest_id, sold_at, jars, price) VALUES (1, DATE '2026-07-01', 12, 6); -- want "write.missing-required"
CREATE OR REPLACE TRIGGER harvests_hive BEFORE INSERT OR UPDATE OF hive_id ON bees.harvests FOR EACH ROW BEGIN :NEW.hive_id := 1; END;
/
CREATE TRIGGER sales_seen AFTER INSERT ON sales FOR EACH ROW BEGIN NULL; END;
/
UPDATE harvests SET hive_id = NULL WHERE harvest_id = 1;
