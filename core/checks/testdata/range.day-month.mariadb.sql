-- dialect: mariadb
SELECT name FROM hives WHERE moved_on = '03/04/2026'; -- want "range.day-month"
SELECT name FROM hives WHERE moved_on >= '31/12/2025'; -- want "range.day-month"
SELECT CAST('04/04/2026' AS date) AS d; -- want "range.day-month"
UPDATE hives SET moved_on = '31.12.2026' WHERE hive_id = 1; -- want "range.day-month"
SELECT name FROM hives WHERE moved_on >= '2025/12/31' AND moved_on > '2025.12.31' AND name > '03/04/2026';
