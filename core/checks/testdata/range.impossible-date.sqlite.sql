-- dialect: sqlite
SELECT name FROM hives WHERE moved_on = '2026-02-30'; -- want "range.impossible-date"
SELECT name FROM hives WHERE moved_on BETWEEN '2026-02-01' AND '2026-02-31'; -- want "range.impossible-date"
UPDATE hives SET moved_on = '2026-11-31' WHERE hive_id = 901; -- want "range.impossible-date"
SELECT name FROM hives WHERE moved_on > '0000-00-00' AND name <> '2026-02-30';
SELECT name FROM hives WHERE moved_on <= '2028-02-29';
