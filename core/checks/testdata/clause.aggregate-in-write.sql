-- dialect: postgres
UPDATE hives SET frame_count = MAX(frame_count) WHERE hive_id = 3; -- want "clause.aggregate-in-write"
UPDATE hives SET frame_count = RANK() OVER (ORDER BY name) WHERE hive_id = 3; -- want "clause.aggregate-in-write"
INSERT INTO sales (sale_id, buyer_id, harvest_id, sold_at, jars) VALUES (MAX(1), 1, 1, '2026-05-01', 3); -- want "clause.aggregate-in-write"
UPDATE hives SET frame_count = (SELECT COUNT(*) FROM inspections) WHERE hive_id = 3;
INSERT INTO treatments (treatment_id, hive_id, treated_on, substance) SELECT MAX(treatment_id) + 1, 1, '2026-05-01', 'thymol' FROM treatments;
