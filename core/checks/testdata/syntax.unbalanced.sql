-- dialect: postgres
SELECT COUNT(* FROM hives; -- want "syntax.unbalanced"
SELECT name FROM hives WHERE (hive_id = 1 AND apiary_id = 2 ORDER BY name; -- want "syntax.unbalanced"
SELECT name FROM hives WHERE hive_id = 1); -- want "syntax.unbalanced"
SELECT name FROM hives WHERE hive_id IN (1, 2; -- want "syntax.unbalanced"
SELECT name FROM (SELECT name FROM hives; -- want "syntax.unbalanced"
SELECT COUNT(*) FROM hives WHERE (hive_id = 1 OR (hive_id = 2));
SELECT ')' AS remark, '((' FROM hives; -- )
SELECT $$ it's ( open $$ AS remark;
SELECT name FROM hives WHERE (((hive_id = 1)));
SELECT 'never closed FROM hives; -- want "syntax.unbalanced"
