-- dialect: sqlserver
UPDATE hives SET moved_on = 20260501 WHERE hive_id = 1; -- want "write.value-type"
UPDATE hives SET frame_count = moved_on WHERE hive_id = 1; -- want "write.value-type"
INSERT INTO treatments (treatment_id, hive_id, treated_on, substance) VALUES (900, 1, 20260601, 'thymol'); -- want "write.value-type"
UPDATE hives SET moved_on = '20260501', name = frame_count WHERE hive_id = 1;
