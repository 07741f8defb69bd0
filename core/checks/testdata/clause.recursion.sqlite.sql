-- dialect: sqlite
-- checks: clause.recursion
WITH RECURSIVE c AS (SELECT queen_id, mother_id FROM queens WHERE mother_id IS NULL UNION SELECT q.queen_id, q.mother_id FROM queens q LEFT JOIN c ON c.queen_id = q.mother_id) SELECT queen_id FROM c;
WITH RECURSIVE c AS (SELECT queen_id, mother_id FROM queens WHERE mother_id IS NULL UNION SELECT q.queen_id, q.mother_id FROM queens q JOIN c ON c.queen_id = q.mother_id JOIN c d ON d.queen_id = q.queen_id) SELECT queen_id FROM c; -- want "clause.recursion"
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT MAX(n) + 1 FROM c WHERE n < 5) SELECT n FROM c; -- want "clause.recursion"
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM c WHERE n < (SELECT COUNT(*) FROM c)) SELECT n FROM c; -- want "clause.recursion"
WITH RECURSIVE c AS (SELECT n + 1 AS n FROM c UNION ALL SELECT 1) SELECT n FROM c; -- want "clause.recursion"
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM c WHERE n < 5 ORDER BY n) SELECT n FROM c;
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM c WHERE n < 5 UNION ALL SELECT n + 2 FROM c WHERE n < 5) SELECT n FROM c;
WITH RECURSIVE c AS (SELECT n + 1 AS n FROM c) SELECT n FROM c; -- want "clause.recursion"
WITH RECURSIVE c AS (SELECT 1 AS n EXCEPT SELECT n + 1 FROM c WHERE n < 5) SELECT n FROM c; -- want "clause.recursion"
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM c WHERE n < 5 LIMIT 3) SELECT n FROM c;
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT h.hive_id FROM hives h WHERE h.hive_id IN (SELECT n + 1 FROM c)) SELECT n FROM c; -- want "clause.recursion"
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT h.hive_id FROM hives h WHERE EXISTS (SELECT 1 FROM c WHERE c.n + 1 = h.hive_id)) SELECT n FROM c; -- want "clause.recursion"
-- what runs
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM c WHERE n < 5 GROUP BY n) SELECT n FROM c; -- want "clause.recursion"
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT DISTINCT n + 1 FROM c WHERE n < 5) SELECT n FROM c;
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT x.n + 1 FROM (SELECT n FROM c) x WHERE n < 5) SELECT n FROM c; -- want "clause.recursion"
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT x.n + 1 FROM c x LEFT JOIN hives h ON h.hive_id = x.n WHERE x.n < 5) SELECT n FROM c;
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM (WITH c AS (SELECT 7 AS n) SELECT n FROM c) x WHERE n < 5) SELECT n FROM c;
WITH RECURSIVE c AS (SELECT MAX(hive_id) AS n FROM hives UNION ALL SELECT n - 1 FROM c WHERE n > 0) SELECT COUNT(*) AS k FROM c;
WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM c WHERE n < (SELECT COUNT(*) FROM hives)) SELECT n FROM c;
WITH c AS (SELECT MAX(hive_id) AS n FROM hives), d AS (SELECT n FROM c UNION ALL SELECT n FROM c) SELECT n FROM d;
