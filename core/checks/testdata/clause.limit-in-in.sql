-- dialect: mariadb
-- checks: clause.limit-in-in
SELECT name FROM hives WHERE frame_count > ALL (SELECT mites FROM inspections ORDER BY mites LIMIT 3); -- want "clause.limit-in-in"
SELECT name FROM hives WHERE hive_id NOT IN (SELECT hive_id FROM harvests ORDER BY harvest_id LIMIT 1); -- want "clause.limit-in-in"
SELECT name FROM hives WHERE EXISTS (SELECT 1 FROM harvests LIMIT 1) AND hive_id IN (1, 2);
