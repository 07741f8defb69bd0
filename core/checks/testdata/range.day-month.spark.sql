-- dialect: spark

SELECT name FROM hives WHERE moved_on = '03/04/2026'; -- want "range.day-month"
SELECT name FROM hives WHERE moved_on >= '31.12.2025'; -- want "range.day-month"
SELECT hive_id FROM inspections WHERE inspected_at < '4-13-2026 08:00'; -- want "range.day-month"
SELECT CAST('04/04/2026' AS date) AS d FROM hives; -- want "range.day-month"
SELECT name FROM hives WHERE name = '03/04/2026';
SELECT name FROM hives WHERE moved_on = '2026-04-03';
