-- dialect: postgres
-- checks: rows.unread-effect, rows.unused-cte
WITH a AS (SELECT set_config('search_path', 'public', true)), b AS (SELECT hive_id FROM hives) SELECT hive_id FROM b; -- want "rows.unread-effect"
WITH a AS (SELECT upper(name) FROM hives) SELECT hive_id FROM harvests; -- want "rows.unused-cte"
WITH a AS (SELECT set_config('search_path', 'public', true) AS p) SELECT hive_id FROM hives, a;
WITH a AS (UPDATE hives SET frame_count = 8 WHERE hive_id = 999 RETURNING hive_id) SELECT hive_id FROM hives;
