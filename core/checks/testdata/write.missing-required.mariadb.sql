-- dialect: mariadb
-- checks: write.missing-required, clause.limit-in-in, window.distinct
INSERT IGNORE INTO hives (hive_id, name, apiary_id, frame_count) VALUES (900, 'Ash', 1, 8);
UPDATE IGNORE hives SET name = NULL WHERE hive_id = 1;
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (900, NULL, 1, 1, 8); -- want "write.missing-required"
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests LIMIT ROWS EXAMINED 100);
SELECT MAX(DISTINCT frame_count) OVER () AS most FROM hives;
