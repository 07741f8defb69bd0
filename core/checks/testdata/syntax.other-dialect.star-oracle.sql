-- dialect: oracle
-- checks: syntax.other-dialect
SELECT *, name FROM hives h; -- want "syntax.other-dialect"
SELECT name, * FROM hives; -- want "syntax.other-dialect"
SELECT h.*, h.name, CURRENT_DATE FROM hives h;
SELECT CURRENT_DATE() FROM hives; -- want "syntax.other-dialect"
