-- dialect: sqlserver
SELECT d.hive_id FROM (SELECT hive_id, COUNT(*) FROM harvests GROUP BY hive_id) AS d; -- want "name.unnamed-output"
SELECT d.hive_id, d.kg FROM (SELECT hive_id, kg = SUM(weight_kg) FROM harvests GROUP BY hive_id) AS d;
SELECT COUNT(*) FROM hives;
