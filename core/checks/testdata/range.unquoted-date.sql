-- dialect: postgres
SELECT name FROM hives WHERE moved_on > 2026-05-01; -- want "range.unquoted-date"
SELECT name FROM hives h WHERE (2026-5-1) <= (h."moved_on"); -- want "range.unquoted-date"
SELECT name FROM hives WHERE moved_on BETWEEN 2026-05-01 AND CURRENT_DATE; -- want "range.unquoted-date"
SELECT name FROM hives WHERE NOT moved_on = 05/01/2026; -- want "range.unquoted-date"
INSERT INTO treatments (treatment_id, hive_id, treated_on, substance) VALUES (900, 1, 2026-06-01, 'thymol'); -- want "range.unquoted-date"
UPDATE hives SET moved_on = 2026-06-01 WHERE hive_id = 1; -- want "range.unquoted-date"
SELECT name FROM (SELECT name, moved_on AS m FROM hives) AS d WHERE m < 2026-12-31; -- want "range.unquoted-date"
SELECT name FROM hives WHERE frame_count > 2026-12-31 OR hive_id = 2026 - 5 - 1;
SELECT hive_id-10-1 AS a, 2026/5/1 AS b FROM hives;
SELECT name FROM hives WHERE moved_on > DATE '2026-05-01' - 1 - 1;
