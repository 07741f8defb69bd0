-- dialect: oracle

SELECT name FROM hives WHERE moved_on <= '2026-02-30'; -- want "range.impossible-date"
SELECT name FROM hives WHERE '2026-13-01' > moved_on; -- want "range.impossible-date"
SELECT CAST('2025-02-29' AS date) AS d FROM hives; -- want "range.impossible-date"
UPDATE hives SET moved_on = '2026-11-31' WHERE hive_id = 1; -- want "range.impossible-date"
SELECT name FROM hives WHERE moved_on <= '2028-02-29';
SELECT name FROM hives WHERE name = '2026-02-30';
