-- dialect: postgres
-- checks: rows.exists-aggregate
SELECT h.name FROM hives h WHERE NOT EXISTS (SELECT MAX(i.mites), MIN(i.mites) FROM inspections i WHERE i.hive_id = h.hive_id); -- want "rows.exists-aggregate"
SELECT h.name FROM hives h WHERE EXISTS (SELECT SUM(i.mites) + 1 FROM inspections i); -- want "rows.exists-aggregate"
SELECT h.name FROM hives h WHERE EXISTS (SELECT COUNT(*) OVER () FROM inspections i WHERE i.hive_id = h.hive_id);
SELECT h.name FROM hives h WHERE EXISTS (SELECT MAX(i.mites) FROM inspections i WHERE i.hive_id = h.hive_id GROUP BY i.hive_id);
SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM inspections i HAVING COUNT(*) > 3);
