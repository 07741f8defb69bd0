-- dialect: postgres
SELECT name FROM hives WHERE moved_on <= '2026-02-30'; -- want "range.impossible-date"
SELECT name FROM hives WHERE '2026-13-01' > moved_on; -- want "range.impossible-date"
SELECT name FROM hives WHERE moved_on BETWEEN '2026-06-01' AND '2026-06-31'; -- want "range.impossible-date"
SELECT hive_id FROM inspections WHERE inspected_at < '2026-04-31 12:00:00'; -- want "range.impossible-date"
SELECT CAST('2025-02-29' AS date) AS d, '2026-00-10'::date AS e, DATE '2026-01-00' AS f; -- want "range.impossible-date" "range.impossible-date" "range.impossible-date"
UPDATE hives SET moved_on = '2026-11-31' WHERE hive_id = 1; -- want "range.impossible-date"
INSERT INTO treatments VALUES (900, 1, '2026-06-30', 'thymol'), (901, 1, '2026-06-31', 'thymol'); -- want "range.impossible-date"
SELECT name FROM hives WHERE moved_on IN ('2024-02-29', '2000-02-29', '2026-12-31') OR name = '2026-02-30';
SELECT CAST('2026-02-28' AS date) AS d, '2026-02-30' AS label;
