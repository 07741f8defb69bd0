-- Queens that sit in no hive.
SELECT queen_id, name, bred_in
FROM queens
WHERE queen_id NOT IN (SELECT queen_id FROM hives)
ORDER BY bred_in;

-- Hives nobody has looked at: fine, hive_id is required.
SELECT name
FROM hives
WHERE hive_id NOT IN (SELECT hive_id FROM inspections);
