-- dialect: sqlite@3.30
SELECT name FROM hives WHERE hive_id = 3 ORDER BY moved_on NULLS LAST;
SELECT h.name FROM queens q RIGHT JOIN hives h ON h.queen_id = q.queen_id; -- want "syntax.newer-version"
SELECT h.name FROM queens q LEFT JOIN hives h ON h.queen_id = q.queen_id;
SELECT name FROM hives WHERE moved_on IS DISTINCT FROM '2026-01-01'; -- want "syntax.newer-version"
SELECT name FROM hives WHERE moved_on IS NOT '2026-01-01';
UPDATE hives SET moved_on = NULL FROM queens q WHERE q.queen_id = hives.queen_id; -- want "syntax.newer-version"
DELETE FROM hives WHERE hive_id = 90 RETURNING name; -- want "syntax.newer-version"
INSERT INTO hives (hive_id, name) VALUES (90, 'Ash') ON CONFLICT DO NOTHING; -- want "write.missing-required"
INSERT INTO hives (hive_id, name) VALUES (90, 'Ash') RETURNING hive_id; -- want "syntax.newer-version" "write.missing-required"
WITH heavy AS (SELECT hive_id FROM harvests WHERE weight_kg > 20) SELECT hive_id FROM heavy;
SELECT hive_id, RANK() OVER (ORDER BY weight_kg) FROM harvests;
SELECT COUNT(*) FILTER (WHERE weight_kg > 20) FROM harvests;
SELECT hive_id FROM harvests EXCEPT SELECT hive_id FROM hives;
