-- dialect: postgres
SELECT hive_id, SUM(weight_kg) FROM harvests GROUP BY hive_id, SUM(weight_kg); -- want "clause.aggregate-in-group-by"
SELECT COUNT(*) FROM harvests GROUP BY COUNT(*); -- want "clause.aggregate-in-group-by"
SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id, kg; -- want "clause.aggregate-in-group-by"
SELECT SUM(weight_kg), hive_id FROM harvests GROUP BY 1, 2; -- want "clause.aggregate-in-group-by" "group.position"
SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id;
SELECT hive_id AS kg, SUM(weight_kg) FROM harvests GROUP BY kg;
SELECT hive_id, SUM(weight_kg) FROM harvests GROUP BY 1; -- want "group.position"
SELECT (SELECT MAX(mites) FROM inspections i WHERE i.hive_id = g.hive_id) AS worst, COUNT(*) FROM harvests g GROUP BY worst;
