-- dialect: mariadb
SELECT name FROM hives WHERE hive_id IN (); -- want "syntax.empty-list"
DELETE FROM sales WHERE sale_id NOT IN ( ) AND jars > 3; -- want "syntax.empty-list"
SELECT name FROM hives WHERE hive_id IN (1);
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM hives);
SELECT NOW(), COUNT(*) FROM hives WHERE hive_id IN (NULL);
