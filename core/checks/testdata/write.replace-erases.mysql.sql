-- dialect: mariadb
-- checks: write.replace-erases
replace into treatments (treatment_id, hive_id, treated_on, substance) values (1, 1, '2026-05-01', 'thymol'); -- want "write.replace-erases"
REPLACE treatments (treatment_id, hive_id, treated_on, substance) VALUES (2, 1, '2026-05-01', 'thymol'); -- want "write.replace-erases"
REPLACE INTO treatments (treatment_id, hive_id, treated_on, substance, dose_ml) VALUES (1, 1, '2026-05-01', 'thymol', NULL);
