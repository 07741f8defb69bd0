-- dialect: postgres
-- checks: clause.endless-recursion
-- The name keeps the servers from being asked.
WITH RECURSIVE swarms AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM swarms) SELECT n FROM swarms; -- want "clause.endless-recursion"
WITH RECURSIVE swarms AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM swarms) SELECT n FROM swarms LIMIT 10;
WITH RECURSIVE swarms AS (SELECT 1 AS n UNION SELECT n FROM swarms) SELECT n FROM swarms;
WITH RECURSIVE swarms AS (SELECT ARRAY[1, 2] AS a UNION ALL SELECT unnest(ARRAY[]::int[][]) FROM swarms) SELECT a FROM swarms;
