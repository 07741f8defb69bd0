-- dialect: postgres
SELECT name FROM hives ORDER BY name UNION ALL SELECT name FROM queens; -- want "clause.order-in-branch"
SELECT name FROM hives LIMIT 3 UNION SELECT name FROM queens; -- want "clause.order-in-branch"
SELECT name FROM hives ORDER BY name LIMIT 3 EXCEPT SELECT name FROM queens ORDER BY name; -- want "clause.order-in-branch"
SELECT name FROM hives UNION ALL SELECT name FROM queens ORDER BY name LIMIT 3;
(SELECT name FROM hives ORDER BY name LIMIT 3) UNION ALL SELECT name FROM queens;
SELECT name FROM (SELECT name FROM hives ORDER BY name LIMIT 3) AS h UNION ALL SELECT name FROM queens;
