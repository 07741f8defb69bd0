-- dialect: sqlite
SELECT name FROM hives WHERE moved_on >= '31/12/2025'; -- want "range.day-month"
SELECT name FROM hives WHERE '5/6/2026' = moved_on; -- want "range.day-month"
SELECT name FROM hives WHERE moved_on >= '2025-12-31' OR name = '5/6/2026';
