-- dialect: postgres
SELECT hive_id, SUM(DISTINCT weight_kg) FROM harvests GROUP BY hive_id; -- want "group.distinct-in-sum"
SELECT AVG(DISTINCT mites) FROM inspections; -- want "group.distinct-in-sum"
SELECT COUNT(DISTINCT hive_id), SUM(weight_kg) FROM harvests;
SELECT hive_id, SUM(DISTINCT harvest_id) FROM harvests GROUP BY hive_id;
