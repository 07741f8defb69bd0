-- dialect: mariadb
SELECT hive_id FROM (SELECT hive_id, CAST(weight_kg AS FLOAT) AS kilos FROM harvests) AS s WHERE kilos = 0.1; -- want "math.float-equality"
SELECT hive_id FROM (SELECT hive_id, CAST(weight_kg AS FLOAT) AS kilos FROM harvests) AS s WHERE kilos IN (1, 10.2); -- want "math.float-equality"
SELECT hive_id FROM (SELECT hive_id, CAST(weight_kg AS DOUBLE) AS tare FROM harvests) AS s WHERE tare - 1 = 0.3; -- want "math.float-equality"
SELECT hive_id FROM (SELECT hive_id, CAST(weight_kg AS FLOAT) AS kilos FROM harvests) AS s WHERE kilos = 0.5 OR kilos = 3 OR kilos > 0.1;
SELECT hive_id FROM (SELECT hive_id, CAST(weight_kg AS DOUBLE) AS tare, weight_kg AS exact FROM harvests) AS s WHERE tare = 0.1 OR exact = 0.1;
