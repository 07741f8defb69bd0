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
MERGE INTO hives h USING queens q ON h.queen_id = q.queen_id WHEN MATCHED THEN UPDATE SET name = q.name; -- want "syntax.other-dialect"
DELETE FROM inspections USING hives WHERE inspections.hive_id = hives.hive_id; -- want "syntax.other-dialect"
DELETE FROM inspections i WHERE i.inspection_id = 1; -- want "syntax.other-dialect"
DELETE FROM inspections AS i WHERE i.inspection_id = 1;
SELECT name FROM hives UNION (SELECT name FROM queens); -- want "syntax.other-dialect"
SELECT name FROM hives EXCEPT ALL SELECT name FROM queens; -- want "syntax.other-dialect"
SELECT name FROM hives WHERE name = 'Ash' && frame_count = 8; -- want "syntax.other-dialect"
SELECT name INTO new_names FROM hives; -- want "syntax.other-dialect"
SELECT name FROM hives WHERE EXTRACT(YEAR FROM moved_on) = 2026; -- want "syntax.other-dialect"
