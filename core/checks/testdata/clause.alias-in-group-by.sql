-- dialect: sqlserver
SELECT YEAR(taken_on) AS y, SUM(weight_kg) FROM harvests GROUP BY y; -- want "clause.alias-in-group-by"
SELECT CASE WHEN weight_kg > 20 THEN 'heavy' ELSE 'light' END AS class, COUNT(*) FROM harvests GROUP BY class; -- want "clause.alias-in-group-by"
SELECT hive_id AS hive, SUM(weight_kg) FROM harvests GROUP BY hive_id;
SELECT YEAR(taken_on) AS y, SUM(weight_kg) FROM harvests GROUP BY YEAR(taken_on);
SELECT hive_id AS weight_kg, SUM(moisture) FROM harvests GROUP BY hive_id;
