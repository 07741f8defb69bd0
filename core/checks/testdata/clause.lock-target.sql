-- dialect: postgres
-- checks: clause.lock-target
SELECT DISTINCT apiary_id FROM hives FOR UPDATE; -- want "clause.lock-target"
SELECT apiary_id FROM hives GROUP BY apiary_id FOR SHARE SKIP LOCKED; -- want "clause.lock-target"
SELECT MAX(frame_count) FROM hives FOR NO KEY UPDATE; -- want "clause.lock-target"
SELECT name FROM hives UNION ALL SELECT name FROM queens FOR UPDATE; -- want "clause.lock-target"
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id FOR UPDATE OF h, i NOWAIT; -- want "clause.lock-target"
SELECT h.name, i.mites FROM inspections i RIGHT JOIN hives h ON i.hive_id = h.hive_id FOR KEY SHARE; -- want "clause.lock-target"
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id FOR UPDATE OF h;
SELECT h.name, i.mites FROM hives h JOIN inspections i ON i.hive_id = h.hive_id WHERE i.mites > 3 FOR UPDATE;
SELECT name FROM hives WHERE apiary_id IN (SELECT apiary_id FROM apiaries GROUP BY apiary_id) FOR UPDATE;
SELECT name, (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = h.hive_id) AS n FROM hives h ORDER BY name LIMIT 2 FOR UPDATE;
