-- dialect: postgres
SELECT COUNT(DISTINCT *) FROM hives; -- want "group.count-distinct-star"
SELECT COUNT(*) FROM hives;
SELECT COUNT(DISTINCT hive_id) FROM harvests;
SELECT COUNT(*) FROM (SELECT DISTINCT name, apiary_id FROM hives) AS d;
