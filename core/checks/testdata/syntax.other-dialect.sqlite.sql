-- dialect: sqlite
-- checks: syntax.other-dialect
SELECT hive_id FROM hives WHERE moved_on < DATE('now') - INTERVAL '7 days'; -- want "syntax.other-dialect"
SELECT DATE_SUB(moved_on, INTERVAL 7 DAY) FROM hives; -- want "syntax.other-dialect"
SELECT GREATEST(frame_count, 3), LEAST(frame_count, 3) FROM hives; -- want "syntax.other-dialect" "syntax.other-dialect"
SELECT LEFT(name, 2) FROM hives; -- want "syntax.other-dialect"
SELECT LPAD(name, 9, ' '), CHAR_LENGTH(name), YEAR(moved_on) FROM hives; -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
SELECT strftime('%Y', moved_on), max(frame_count, 3), iif(frame_count > 3, 1, 2), instr(name, 'a'), date(moved_on, '-7 days') FROM hives;
SELECT name FROM hives FOR UPDATE; -- want "syntax.other-dialect"
UPDATE hives SET name = q.name FROM queens q WHERE q.queen_id = hives.queen_id;
