-- dialect: postgres
-- checks: syntax.other-dialect
SELECT CURRENT_DATE(), CURRENT_USER() FROM hives; -- want "syntax.other-dialect" "syntax.other-dialect"
SELECT name FROM hives WHERE moved_on < CURRENT_TIMESTAMP(); -- want "syntax.other-dialect"
SELECT CURRENT_DATE, CURRENT_TIMESTAMP(3), LOCALTIME(0), CURRENT_USER, now() FROM hives;
SELECT name, * FROM hives;
