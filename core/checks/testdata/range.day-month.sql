-- dialect: postgres
SELECT name FROM hives WHERE moved_on = '03/04/2026'; -- want "range.day-month"
SELECT name FROM hives WHERE moved_on BETWEEN '01.02.2026' AND '31.12.2026'; -- want "range.day-month" "range.day-month"
SELECT name FROM hives WHERE moved_on = '31/04/2026'; -- want "range.day-month"
SELECT CAST('31/12/2026' AS date) AS d; -- want "range.day-month"
SELECT hive_id FROM inspections WHERE inspected_at > '03-04-2026 08:30'; -- want "range.day-month"
INSERT INTO treatments (treatment_id, hive_id, treated_on, substance) VALUES (900, 1, '5/6/2026', 'thymol'); -- want "range.day-month"
SELECT name FROM hives WHERE moved_on > '2026/04/03' OR moved_on = '4/4/2026' OR moved_on < '12/31/2026' OR name = '03/04/2026';
SELECT harvest_id FROM harvests WHERE weight_kg > '1.5' AND moisture < '12.5';
