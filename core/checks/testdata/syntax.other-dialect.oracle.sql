-- dialect: oracle
-- checks: syntax.other-dialect
SELECT hive_id FROM hives WHERE moved_on < SYSDATE - INTERVAL 7 DAY; -- want "syntax.other-dialect"
SELECT DATE_ADD(moved_on, INTERVAL 2 MONTH), DATE_SUB(moved_on, INTERVAL frame_count DAY) FROM hives; -- want "syntax.other-dialect" "syntax.other-dialect"
SELECT CONCAT_WS(', ', name, hive_id), LEFT(name, 2), CEILING(frame_count), DATEDIFF(moved_on, SYSDATE) FROM hives; -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
SELECT INTERVAL '7' DAY, LPAD(name, 9), TO_CHAR(moved_on, 'YYYY'), ADD_MONTHS(moved_on, 2), NVL2(moved_on, 1, 2), INSTR(name, 'a') FROM hives;
