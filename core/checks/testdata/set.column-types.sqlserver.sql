-- dialect: sqlserver

SELECT hive_id, name FROM hives UNION ALL SELECT name, queen_id FROM queens; -- want "set.column-types"
SELECT hive_id FROM hives UNION ALL SELECT moved_on FROM hives; -- want "set.column-types"
SELECT hive_id FROM hives UNION SELECT frame_count FROM hives UNION SELECT name FROM queens; -- want "set.column-types"
SELECT hive_id FROM hives UNION ALL SELECT weight_kg FROM harvests;
SELECT name FROM hives UNION SELECT colour FROM queens UNION SELECT NULL FROM queens;
SELECT moved_on FROM hives UNION SELECT inspected_at FROM inspections;
