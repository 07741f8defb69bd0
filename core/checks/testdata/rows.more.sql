-- dialect: sqlite
-- checks: rows.limit-unordered, rows.many-for-one, rows.exists-uncorrelated, rows.exists-aggregate, rows.constant-subquery, rows.unused-cte, rows.distinct-needless, rows.distinct-call, rows.order-text
-- Through quoted names, other letter case, comments, parentheses, derived tables and queries of WITH.
SELECT x.name FROM (SELECT name FROM hives LIMIT 3) x ORDER BY x.name; -- want "rows.limit-unordered"
WITH few AS (SELECT hive_id FROM hives /* any */ LIMIT 3) SELECT hive_id FROM few; -- want "rows.limit-unordered"
SELECT max(frame_count) AS n FROM hives LIMIT 1;
SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id LIMIT 3; -- want "rows.limit-unordered"
SELECT h.name FROM hives h WHERE h.frame_count = ((SELECT g.weight_kg FROM "harvests" g WHERE G.hive_id = h.hive_id)); -- want "rows.many-for-one"
SELECT h.name FROM hives h WHERE h.frame_count = (SELECT g.weight_kg FROM harvests g WHERE g.harvest_id = h.hive_id);
SELECT h.name FROM hives h WHERE h.apiary_id = (SELECT x.apiary_id FROM (SELECT apiary_id FROM apiaries WHERE name = 'Oak') x);
SELECT h.name FROM hives h WHERE (NOT EXISTS (SELECT * FROM harvests g WHERE g.weight_kg > 90)); -- want "rows.exists-uncorrelated"
SELECT h.name FROM hives h WHERE EXISTS (SELECT * FROM harvests g WHERE g.weight_kg > h.frame_count);
SELECT h.name FROM hives h WHERE EXISTS (SELECT * FROM harvests g WHERE (SELECT 1 FROM sales s WHERE s.harvest_id = g.harvest_id AND s.jars = h.frame_count) IS NOT NULL);
SELECT h.name FROM hives h WHERE EXISTS (/* any */ SELECT (MAX(g.weight_kg)) FROM harvests g WHERE g.hive_id = h.hive_id); -- want "rows.exists-aggregate"
SELECT h.name FROM hives h WHERE EXISTS (SELECT (SELECT MAX(weight_kg) FROM harvests) FROM harvests g WHERE g.hive_id = h.hive_id);
SELECT h.name FROM hives h WHERE H."queen_id" NOT IN (SELECT ('1') FROM queens q WHERE q.bred_in = 2020); -- want "rows.constant-subquery"
WITH "Heavy" AS (SELECT 1 AS n), light AS (SELECT 2 AS n) SELECT l.n FROM light l; -- want "rows.unused-cte"
WITH heavy AS (SELECT 1 AS n) SELECT (SELECT n FROM HEAVY) AS n;
SELECT distinct h.HIVE_ID, upper(h.name) AS n FROM hives h; -- want "rows.distinct-needless"
SELECT DISTINCT x.hive_id FROM (SELECT hive_id FROM hives WHERE frame_count > 3) x; -- want "rows.distinct-needless"
SELECT DISTINCT x.hive_id FROM (SELECT hive_id FROM harvests) x;
SELECT DISTINCT /* each */ (h.apiary_id) , h.keeper_id FROM hives h; -- want "rows.distinct-call"
SELECT h.name, h.frame_count AS n FROM hives h ORDER BY ('n'), 'name'; -- want "rows.order-text"
