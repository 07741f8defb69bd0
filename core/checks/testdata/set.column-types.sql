-- dialect: postgres
SELECT hive_id, name FROM hives UNION ALL SELECT name, queen_id FROM queens; -- want "set.column-types"
SELECT NULL AS n UNION SELECT NULL UNION SELECT hive_id FROM hives; -- want "set.column-types"
SELECT hive_id FROM hives UNION ALL SELECT 'all'; -- want "set.column-types"
SELECT moved_on FROM hives EXCEPT (SELECT name FROM hives); -- want "set.column-types"
WITH a AS (SELECT hive_id AS x FROM hives), b AS (SELECT name AS x FROM hives) SELECT x FROM a INTERSECT SELECT b.x FROM b; -- want "set.column-types"
SELECT name FROM hives UNION SELECT NULL UNION SELECT 'none';
SELECT hive_id FROM hives UNION SELECT 7.5 UNION SELECT '8' UNION SELECT NULL;
SELECT moved_on FROM hives UNION SELECT inspected_at FROM inspections;
SELECT * FROM hives WHERE hive_id < 3 UNION ALL SELECT * FROM hives WHERE hive_id > 7;
