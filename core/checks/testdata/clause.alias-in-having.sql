-- dialect: postgres
SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id HAVING kg > 20; -- want "clause.alias-in-having"
SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id HAVING SUM(weight_kg) > 20 AND kg < 90; -- want "clause.alias-in-having"
SELECT apiary_id + 1 AS next_one FROM hives GROUP BY apiary_id HAVING next_one > 3; -- want "clause.alias-in-having"
SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id HAVING SUM(weight_kg) > 20;
SELECT hive_id AS moisture, SUM(weight_kg) FROM harvests GROUP BY hive_id HAVING MAX(moisture) > 18;
