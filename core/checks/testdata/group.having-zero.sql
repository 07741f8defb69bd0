-- dialect: postgres
SELECT hive_id FROM harvests GROUP BY hive_id HAVING COUNT(*) = 0; -- want "group.having-zero"
SELECT hive_id FROM harvests GROUP BY hive_id HAVING COUNT(*) < 1 AND MAX(weight_kg) > 3; -- want "group.having-zero"
SELECT hive_id FROM harvests GROUP BY hive_id HAVING COUNT(moisture) = 0;
SELECT COUNT(*) FROM harvests HAVING COUNT(*) = 0;
SELECT hive_id FROM harvests GROUP BY hive_id HAVING COUNT(*) < 2;
SELECT hive_id FROM harvests GROUP BY ROLLUP (hive_id) HAVING COUNT(*) = 0;
SELECT hive_id FROM harvests GROUP BY hive_id HAVING COUNT(*) FILTER (WHERE weight_kg > 3) = 0;
