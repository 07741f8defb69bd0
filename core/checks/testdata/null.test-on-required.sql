-- dialect: postgres
-- checks: null.test-on-required
SELECT name FROM hives WHERE name IS NOT NULL; -- want "null.test-on-required"
SELECT h.name FROM hives h WHERE h.hive_id IS NULL OR h.frame_count > 8; -- want "null.test-on-required"
SELECT CASE WHEN x.n IS NULL THEN 0 ELSE x.n END AS n FROM (SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id) x; -- want "null.test-on-required"
SELECT h.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id AND a.name IS NOT NULL WHERE h.moved_on IS NULL; -- want "null.test-on-required"
SELECT h.name FROM apiaries a RIGHT JOIN hives h ON a.apiary_id = h.apiary_id WHERE h.name IS NOT NULL AND a.name IS NULL; -- want "null.test-on-required"
SELECT name FROM hives WHERE queen_id IS NOT NULL;
SELECT q.name FROM queens q LEFT JOIN hives h ON h.queen_id = q.queen_id WHERE h.hive_id IS NOT NULL;
SELECT apiary_id, name, COUNT(*) FROM hives GROUP BY ROLLUP (apiary_id, name) HAVING name IS NOT NULL;
SELECT x.most FROM (SELECT MAX(frame_count) AS most FROM hives) x WHERE x.most IS NULL;
UPDATE hives SET queen_id = 3 WHERE queen_id IS NULL;
