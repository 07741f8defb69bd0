-- dialect: sqlite
-- checks: window.distinct
SELECT SUM(DISTINCT frame_count) OVER (ORDER BY hive_id) AS s FROM hives; -- want "window.distinct"
SELECT COUNT(DISTINCT frame_count) AS s, SUM(COUNT(*)) OVER () AS n FROM hives;
