-- dialect: postgres
WITH n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 5) SELECT i FROM n; -- want "clause.cte-order"
WITH a AS (SELECT x FROM b), b AS (SELECT 1 AS x) SELECT x FROM a; -- want "clause.cte-order"
WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 5) SELECT i FROM n;
WITH hives AS (SELECT name FROM hives) SELECT name FROM hives;
WITH a AS (SELECT 1 AS x), b AS (SELECT x FROM a) SELECT x FROM b;
WITH queens AS (SELECT name FROM keepers), b AS (SELECT name FROM queens) SELECT name FROM b;
