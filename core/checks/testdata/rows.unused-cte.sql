-- dialect: postgres
-- checks: rows.unused-cte
WITH heavy AS (SELECT hive_id FROM harvests WHERE weight_kg > 20), heavier AS (SELECT hive_id FROM heavy) SELECT name FROM hives; -- want "rows.unused-cte"
WITH RECURSIVE line AS (SELECT queen_id FROM queens WHERE mother_id IS NULL UNION ALL SELECT q.queen_id FROM queens q JOIN line l ON q.mother_id = l.queen_id) SELECT name FROM queens; -- want "rows.unused-cte"
SELECT x.n FROM (WITH a AS (SELECT 1 AS n), b AS (SELECT 2 AS n) SELECT n FROM b) AS x; -- want "rows.unused-cte"
WITH heavy AS (SELECT hive_id FROM harvests) DELETE FROM treatments WHERE hive_id IN (SELECT hive_id FROM heavy);
WITH heavy AS (SELECT hive_id FROM harvests), heavier AS (SELECT hive_id FROM heavy) SELECT * FROM heavier;
WITH heavy AS (SELECT hive_id FROM harvests) INSERT INTO treatments (treatment_id, hive_id, treated_on, substance) SELECT 900 + hive_id, hive_id, DATE '2026-05-01', 'oxalic' FROM heavy GROUP BY hive_id;
WITH RECURSIVE line AS (SELECT queen_id FROM queens WHERE mother_id IS NULL UNION ALL SELECT q.queen_id FROM queens q JOIN line l ON q.mother_id = l.queen_id) SELECT queen_id FROM line;
