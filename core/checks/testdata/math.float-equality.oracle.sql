-- dialect: oracle

SELECT hive_id FROM (SELECT hive_id, CAST(weight_kg AS real) AS kilos FROM harvests) s WHERE kilos = 0.1;
SELECT hive_id FROM (SELECT hive_id, weight_kg AS kilos FROM harvests) s WHERE kilos = 0.1;
