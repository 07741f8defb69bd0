-- dialect: mysql
-- checks: syntax.unreadable, syntax.reserved-name, name.unknown-column, null.equals
SELECT j.k FROM JSON_TABLE('[{"k": 1}]', '$[*]' COLUMNS (k INT PATH '$.k')) AS j;
CREATE PROCEDURE tidy(wanted INT) BEGIN DECLARE n INT; SELECT COUNT(*) INTO n FROM hives WHERE apiary_id = wanted AND name = NULL; END; -- want "null.equals"
SELECT IF(1 = 1, 2, 3) AS two;
