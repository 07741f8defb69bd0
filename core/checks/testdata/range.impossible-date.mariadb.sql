-- dialect: mariadb
SELECT name FROM hives WHERE moved_on = '2026-02-30'; -- want "range.impossible-date"
SELECT name FROM hives WHERE moved_on > '2026-02-30'; -- want "range.impossible-date"
SELECT CAST('2026-06-31' AS date) AS d; -- want "range.impossible-date"
UPDATE hives SET moved_on = '2026-06-31' WHERE hive_id = 1; -- want "range.impossible-date"
SELECT name FROM hives WHERE moved_on > '2026-00-00' OR moved_on = '0000-00-00';
