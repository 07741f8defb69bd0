-- dialect: postgres
-- checks: syntax.other-dialect
SELECT hive_id FROM hives WHERE moved_on < NOW() - INTERVAL 7 DAY; -- want "syntax.other-dialect"
SELECT DATE_SUB(moved_on, INTERVAL 7 DAY) FROM hives; -- want "syntax.other-dialect"
SELECT hive_id FROM hives WHERE (DATE_ADD(moved_on, INTERVAL frame_count MONTH)) < now(); -- want "syntax.other-dialect"
SELECT 2 * SUBDATE(moved_on, INTERVAL 1 WEEK) FROM hives; -- want "syntax.other-dialect"
SELECT now() + INTERVAL 1 QUARTER; -- want "syntax.other-dialect"
SELECT SUBDATE(moved_on, INTERVAL '7' DAY) FROM hives; -- want "syntax.other-dialect"
SELECT now() + interval (frame_count + 1) day FROM hives; -- want "syntax.other-dialect"
SELECT YEAR(moved_on), UNIX_TIMESTAMP(moved_on), LOCATE('a', name), INSTR(name, 'a'), UCASE(name) FROM hives; -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
SELECT JSON_EXTRACT(remark, '$.mites'), STR_TO_DATE(remark, '%Y') FROM inspections; -- want "syntax.other-dialect" "syntax.other-dialect"
SELECT now() + INTERVAL '7' DAY, now() + INTERVAL '7 days', INTERVAL '1-2' YEAR TO MONTH, INTERVAL '1', interval '3 hours' * frame_count FROM hives;
SELECT date_part('year', moved_on), strpos(name, 'a'), left(name, 1), lpad(name, 9), greatest(1, frame_count), date_trunc('day', moved_on) FROM hives;
CREATE FUNCTION year(d date) RETURNS integer LANGUAGE sql AS 'SELECT 1';
SELECT year(moved_on) FROM hives;
