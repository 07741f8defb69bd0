-- dialect: postgres
SELECT name FROM hives WHERE; -- want "syntax.unreadable"
SELECT CASE WHEN moved_on IS NULL THEN 'here' FROM hives; -- want "syntax.unreadable"
UPDATE hives SET WHERE hive_id = 1; -- want "syntax.unreadable"
INSERT INTO hives (hive_id, name VALUES (1, 'Ash'); -- want "syntax.unreadable"
DELETE hives FROM; -- want "syntax.unreadable"
SELECT name FROM hives
;
;;
SELECT name FROM hives; SELECT 'a ; b', ";" FROM hives AS ";";
SELECT $$ it's one ; text $$ AS remark;
/* a ; comment /* inside */ another */ SELECT 1;
VACUUM hives;
GRANT SELECT ON hives TO public;
SELECT name -- a ; in a comment
FROM hives;
SELECT (SELECT MAX(h.name) FROM hives AS h) AS last;
SELECT a.name, b.name FROM hives a JOIN hives b ON (a.hive_id, 1) = (b.hive_id, 1);
SELECT ALL DISTINCT name FROM hives; -- want "syntax.unreadable"
SELECT DISTINCT ALL name FROM hives; -- want "syntax.unreadable"
