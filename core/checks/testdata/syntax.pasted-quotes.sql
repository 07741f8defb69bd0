-- dialect: postgres
SELECT hive_id FROM hives WHERE name = ‘Ash’; -- want "syntax.pasted-quotes" "syntax.pasted-quotes"
SELECT hive_id FROM hives WHERE name = 'Ash'; -- want "syntax.pasted-quotes"
SELECT COUNT（*） FROM hives; -- want "syntax.pasted-quotes" "syntax.pasted-quotes"
SELECT “name” FROM hives; -- want "syntax.pasted-quotes" "syntax.pasted-quotes"
SELECT hive_id FROM hives WHERE name = '“Ash”' -- ‘quoted’
ORDER BY hive_id;
SELECT 'a b' AS "ñandú", 1 AS größe;
SELECT name AS 名前 FROM hives;
