-- dialect: postgres
-- checks: set.dedup-before-aggregate
WITH all_kg AS (SELECT hive_id, weight_kg FROM harvests WHERE moisture > 18 UNION SELECT hive_id, weight_kg FROM harvests WHERE moisture <= 18) -- want "set.dedup-before-aggregate"
SELECT hive_id, AVG(weight_kg) AS kg FROM all_kg GROUP BY hive_id;
SELECT SUM(x.n) AS n FROM (SELECT frame_count AS n FROM hives UNION SELECT jars FROM sales) AS x; -- want "set.dedup-before-aggregate"
SELECT SUM(x.n) AS n FROM (SELECT hive_id, frame_count AS n FROM hives UNION SELECT sale_id, jars FROM sales) AS x;
SELECT SUM(DISTINCT x.n) AS n FROM (SELECT frame_count AS n FROM hives UNION SELECT jars FROM sales) AS x;
SELECT SUM(x.n) AS n FROM (SELECT 'h' AS kind, COUNT(*) AS n FROM hives UNION SELECT 'q', COUNT(*) FROM queens) AS x;
SELECT x.n FROM (SELECT frame_count AS n FROM hives UNION SELECT jars FROM sales) AS x;
