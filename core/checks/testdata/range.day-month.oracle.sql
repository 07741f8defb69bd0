-- dialect: oracle

SELECT name FROM hives WHERE moved_on = '03/04/2026'; -- want "range.day-month"
SELECT name FROM hives WHERE moved_on >= '31.12.2025'; -- want "range.day-month"
SELECT name FROM hives WHERE moved_on < '4-13-2026'; -- want "range.day-month"
SELECT name FROM hives WHERE moved_on = '31/04/2026'; -- want "range.day-month"
SELECT name FROM hives WHERE name = '03/04/2026';
SELECT name FROM hives WHERE moved_on = '2026/04/03';
