-- dialect: mysql
-- checks: write.target-in-subquery
DELETE FROM treatments WHERE EXISTS (SELECT 1 FROM treatments t WHERE t.hive_id = treatments.hive_id AND t.treatment_id < treatments.treatment_id); -- want "write.target-in-subquery"
UPDATE hives SET frame_count = (SELECT MAX(frame_count) FROM hives) WHERE hive_id = 3; -- want "write.target-in-subquery"
DELETE FROM treatments WHERE hive_id IN (SELECT h.hive_id FROM (SELECT hive_id FROM treatments) AS h);
UPDATE hives SET frame_count = 3 WHERE hive_id IN (SELECT hive_id FROM harvests);
INSERT INTO treatments (treatment_id, hive_id, treated_on, substance) SELECT treatment_id + 900, hive_id, treated_on, substance FROM treatments WHERE hive_id = 999;
