-- dialect: spark
-- checks: syntax.unreadable, group.ungrouped-column, name.unknown-alias
SELECT i.hive_id, i.inspected_at + INTERVAL 2 HOURS AS later FROM inspections AS i WHERE i.inspected_at > current_timestamp() - INTERVAL 30 MINUTES;
SELECT h.apiary_id, COUNT(*) AS n FROM hives AS h GROUP BY h.apiary_id GROUPING SETS ((h.apiary_id), ());
SELECT h.apiary_id, first(h.name) AS one, skewness(h.frame_count) AS s FROM hives AS h GROUP BY h.apiary_id;
SELECT h.apiary_id, h.name, COUNT(*) AS n FROM hives AS h GROUP BY h.apiary_id; -- want "group.ungrouped-column"
WITH growth AS (SELECT 1 AS k), weekly AS (SELECT 1 AS k, 2 AS jars) SELECT w.jars FROM growth g JOIN weekly w ON w.k = g.k;
WITH growth AS (SELECT 1 AS k), weekly AS (SELECT 1 AS k, 2 AS jars) SELECT ww.jars FROM growth g JOIN weekly w ON w.k = g.k; -- want "name.unknown-alias"
WITH weekly AS (SELECT named_struct('jars', 2) AS sold) SELECT sold.jars FROM weekly w;
