-- dialect: sqlite
-- checks: clause.limit-value
SELECT name FROM hives ORDER BY name LIMIT 1.5; -- want "clause.limit-value"
SELECT name FROM hives ORDER BY name LIMIT NULL; -- want "clause.limit-value"
SELECT name FROM hives ORDER BY name LIMIT 2 OFFSET name; -- want "clause.limit-value"
SELECT name FROM hives ORDER BY name LIMIT -1 OFFSET 1 + 1;
SELECT name FROM hives ORDER BY name LIMIT (SELECT COUNT(*) FROM queens);
