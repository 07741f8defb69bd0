-- dialect: postgres
-- checks: clause.endless-recursion
-- The first branch reads a table that the servers do not have: they would never come to an end.
WITH RECURSIVE swarms AS (SELECT s.swarm_id AS n FROM somewhere AS s UNION ALL SELECT n + 1 FROM swarms) SELECT n FROM swarms; -- want "clause.endless-recursion"
WITH RECURSIVE swarms AS (SELECT s.swarm_id AS n FROM somewhere AS s UNION ALL SELECT n + 1 FROM swarms) SELECT n FROM swarms LIMIT 10;
WITH RECURSIVE swarms AS (SELECT 1 AS n UNION SELECT n FROM swarms) SELECT n FROM swarms;
WITH RECURSIVE swarms AS (SELECT s.places AS a FROM somewhere AS s UNION ALL SELECT unnest(ARRAY[1]) FROM swarms) SELECT a FROM swarms;
