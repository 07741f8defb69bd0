-- dialect: mariadb
-- checks: index.deep-offset
SELECT name FROM hives ORDER BY hive_id LIMIT 1000, 10; -- want "index.deep-offset"
SELECT name FROM hives ORDER BY hive_id LIMIT 2000 OFFSET 999;
SELECT name FROM hives ORDER BY hive_id LIMIT 5000;
