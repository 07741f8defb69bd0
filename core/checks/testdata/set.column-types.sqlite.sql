-- dialect: sqlite
SELECT hive_id, name FROM hives UNION ALL SELECT name, queen_id FROM queens; -- want "set.column-types"
SELECT hive_id FROM hives UNION ALL SELECT weight_kg FROM harvests;
SELECT name FROM hives UNION SELECT moved_on FROM hives UNION SELECT NULL;
