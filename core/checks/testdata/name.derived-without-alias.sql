-- dialect: mariadb
SELECT heavy FROM (SELECT MAX(weight_kg) AS heavy FROM harvests); -- want "name.derived-without-alias"
SELECT 1 FROM hives AS d JOIN (SELECT hive_id FROM harvests) ON 1 = 1; -- want "name.derived-without-alias"
SELECT 1 FROM (SELECT hive_id FROM harvests), hives; -- want "join.unconnected" "name.derived-without-alias"
SELECT heavy FROM (SELECT MAX(weight_kg) AS heavy FROM harvests) d;
SELECT hive_id FROM ((SELECT hive_id FROM harvests) UNION (SELECT hive_id FROM hives)) AS u;
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests);
SELECT (SELECT MAX(weight_kg) FROM harvests) AS heavy;
