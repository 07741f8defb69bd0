-- dialect: postgres
SELECT MAX(DISTINCT weight_kg) FROM harvests; -- want "group.distinct-in-minmax"
SELECT hive_id, min(distinct taken_on) FROM harvests GROUP BY hive_id; -- want "group.distinct-in-minmax"
SELECT MAX(weight_kg), COUNT(DISTINCT taken_on) FROM harvests;
