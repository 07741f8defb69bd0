-- dialect: sqlite
-- checks: null.quoted, null.self-equal, null.test-on-required, null.concat, null.first-in-order, null.needless-coalesce, null.lonely-coalesce, null.case-when-null
-- Through quoted names, other letter case, comments, parentheses, derived tables and queries of WITH.
SELECT name FROM queens Q WHERE ('NULL') = /* unknown */ q."colour"; -- want "null.quoted"
SELECT x.c FROM (SELECT colour AS c FROM queens) x WHERE x.c <> 'null'; -- want "null.quoted"
SELECT name FROM hives h WHERE NOT (h.[moved_on] = H.MOVED_ON); -- want "null.self-equal"
SELECT k.name FROM keepers k WHERE NOT EXISTS (SELECT 1 FROM buyers b WHERE keeper_id = b.keeper_id); -- want "null.self-equal"
SELECT k.name FROM keepers k WHERE NOT EXISTS (SELECT 1 FROM buyers b WHERE b.keeper_id = k.keeper_id);
WITH x AS (SELECT hive_id, frame_count AS n FROM hives) SELECT hive_id FROM x WHERE (x.n) IS NOT NULL AND hive_id > 3; -- want "null.test-on-required"
WITH x AS (SELECT hive_id, queen_id AS n FROM hives) SELECT hive_id FROM x WHERE x.n IS NOT NULL;
SELECT h.name FROM queens q LEFT JOIN hives h ON h.queen_id = q.queen_id WHERE NOT h.name IS NULL;
SELECT x.t FROM (SELECT q.name || ' / ' || q.colour AS t FROM queens q) x; -- want "null.concat"
SELECT x.t FROM (SELECT q.name || ' / ' || ifnull(q.colour, '-') AS t FROM queens q) x;
SELECT h.name || ' of ' || (SELECT a.name FROM apiaries a WHERE a.apiary_id = h.apiary_id) AS t FROM hives h;
SELECT name FROM (SELECT name, moved_on AS m FROM hives) x ORDER BY x.m LIMIT 3; -- want "null.first-in-order"
SELECT name FROM hives ORDER BY moved_on DESC LIMIT 3;
SELECT name FROM hives ORDER BY moved_on IS NULL, moved_on LIMIT 3;
SELECT IFNULL((frame_count), 0) + Coalesce(queen_id, 0) AS n FROM hives; -- want "null.needless-coalesce"
SELECT ifnull((SELECT count(*) FROM harvests g WHERE g.hive_id = h.hive_id), 0) AS n FROM hives h; -- want "null.needless-coalesce"
SELECT ifnull((SELECT max(weight_kg) FROM harvests g WHERE g.hive_id = h.hive_id), 0) AS n FROM hives h;
SELECT ifnull(x.n, 0) AS n FROM (SELECT count(*) AS n FROM hives) x; -- want "null.needless-coalesce"
SELECT coalesce(0, (mites)) AS n FROM inspections; -- want "null.lonely-coalesce"
SELECT CASE (colour) WHEN /* none */ NULL THEN 0 ELSE 1 END AS n FROM queens; -- want "null.case-when-null"
SELECT CASE WHEN colour IS NULL THEN NULL ELSE 1 END AS n FROM queens;
