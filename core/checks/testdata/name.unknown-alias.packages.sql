-- dialect: oracle
-- checks: name.unknown-alias
SELECT DBMS_RANDOM.VALUE AS r, name FROM hives ORDER BY DBMS_RANDOM.VALUE;
SELECT bee_rates.current_rate FROM hives;
SELECT x.name FROM hives h; -- want "name.unknown-alias"
SELECT hives.name FROM hives h; -- want "name.unknown-alias"
