-- dialect: postgres
SELECT hive_id FROM (SELECT hive_id, CAST(weight_kg AS real) AS kilos FROM harvests) AS s WHERE kilos = 0.1; -- want "math.float-equality"
SELECT hive_id FROM (SELECT hive_id, CAST(weight_kg AS real) AS kilos FROM harvests) AS s WHERE (10.2) <> (s."kilos"); -- want "math.float-equality"
SELECT hive_id FROM (SELECT hive_id, weight_kg::float4 AS kilos FROM harvests) AS s WHERE kilos IN (1, 2.3); -- want "math.float-equality"
SELECT hive_id FROM (SELECT hive_id, CAST(weight_kg AS double precision) AS tare FROM harvests) AS s WHERE tare * 3 = 0.3; -- want "math.float-equality"
SELECT hive_id FROM (SELECT hive_id, CAST(weight_kg AS real) AS kilos FROM harvests) AS s WHERE kilos = 0.25 OR kilos = 3 OR kilos < 0.1 OR kilos = '0.1';
SELECT hive_id FROM (SELECT hive_id, CAST(weight_kg AS double precision) AS tare, weight_kg AS exact FROM harvests) AS s WHERE tare = 0.1 OR exact = 0.1
