-- dialect: postgres
SELECT name FROM hives WHERE hive_id IN (SELECT name FROM queens); -- want "type.operands"
SELECT name FROM hives WHERE (hive_id, name) IN (SELECT queen_id, queen_id FROM queens); -- want "type.operands"
SELECT name FROM hives WHERE name = ANY (SELECT queen_id FROM queens); -- want "type.operands"
SELECT name FROM hives WHERE hive_id = ANY (3); -- want "type.operands"
SELECT name FROM hives WHERE (hive_id, name) = (1, 2); -- want "type.operands"
SELECT name FROM hives WHERE frame_count IS TRUE; -- want "type.operands"
SELECT name FROM hives WHERE name ILIKE '%a%' AND frame_count ILIKE '1%'; -- want "type.operands"
SELECT (frame_count > 3) + 1 AS n FROM hives; -- want "type.operands"
SELECT weight_kg & 1 AS n FROM harvests; -- want "type.operands"
SELECT name FROM hives ORDER BY hive_id LIMIT true; -- want "type.operands"
SELECT name FROM hives WHERE hive_id IN (SELECT weight_kg FROM harvests) AND (hive_id, name) = (1, 'Ash') AND (frame_count > 3) IS TRUE AND hive_id & 1 = 1;
SELECT name FROM hives WHERE name IN (SELECT name FROM queens UNION SELECT NULL) AND hive_id = ANY (ARRAY[1, 2]) LIMIT 2 + 1 -- want "rows.limit-unordered"
