-- dialect: mariadb
SELECT weight_kg * 1000 AS grams, grams / 12 AS jars FROM harvests; -- want "clause.alias-in-select"
SELECT hive_id, SUM(weight_kg) AS kg, kg * 2 AS twice FROM harvests GROUP BY hive_id; -- want "clause.alias-in-select"
SELECT later + 1 AS sooner, weight_kg AS later FROM harvests; -- want "clause.alias-in-select"
SELECT weight_kg * 1000 AS moisture, moisture / 12 AS dry FROM harvests;
SELECT g.grams, g.grams / 12 AS jars FROM (SELECT weight_kg * 1000 AS grams FROM harvests) AS g;
SELECT weight_kg AS grams, (SELECT MAX(grams) FROM (SELECT 1 AS grams) AS x) AS most FROM harvests;
