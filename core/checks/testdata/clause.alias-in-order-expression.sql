-- dialect: postgres
SELECT hive_id, weight_kg * 1000 AS grams FROM harvests ORDER BY grams * 2; -- want "clause.alias-in-order-expression"
SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id ORDER BY COALESCE(kg, 0); -- want "clause.alias-in-order-expression"
SELECT hive_id, weight_kg * 1000 AS grams FROM harvests ORDER BY grams;
SELECT hive_id, weight_kg * 1000 AS grams FROM harvests ORDER BY (grams) DESC;
SELECT hive_id, weight_kg * 1000 AS moisture FROM harvests ORDER BY moisture * 2; -- want "name.alias-shadows-column"
