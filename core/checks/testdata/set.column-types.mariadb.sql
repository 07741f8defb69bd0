-- dialect: mariadb
SELECT hive_id, name FROM hives UNION ALL SELECT name, queen_id FROM queens; -- want "set.column-types"
SELECT hive_id FROM hives UNION ALL SELECT moved_on FROM hives; -- want "set.column-types"
SELECT hive_id FROM hives UNION ALL SELECT weight_kg FROM harvests;
SELECT name FROM hives UNION SELECT NULL UNION SELECT 'none';
SELECT hive_id, 1 AS part FROM hives UNION ALL SELECT hive_id, NULL FROM hives
