-- dialect: mariadb
-- checks: clause.limit-value
SELECT name FROM hives ORDER BY name LIMIT 1.5; -- want "clause.limit-value"
SELECT name FROM hives ORDER BY name LIMIT '2'; -- want "clause.limit-value"
SELECT name FROM hives ORDER BY name LIMIT NULL; -- want "clause.limit-value"
SELECT name FROM hives ORDER BY name LIMIT @most; -- want "clause.limit-value"
SELECT name FROM hives ORDER BY name LIMIT (SELECT 2); -- want "clause.limit-value"
DELETE FROM hives ORDER BY name LIMIT -1; -- want "clause.limit-value"
SELECT name FROM hives ORDER BY name LIMIT 2, 3;
