-- dialect: postgres
-- checks: window.named, clause.window-outside
SELECT RANK() OVER w FROM hives WINDOW w AS (ORDER BY name), w AS (ORDER BY hive_id); -- want "window.named"
SELECT RANK() OVER v FROM hives WINDOW w AS (ORDER BY name), v AS (w ORDER BY hive_id); -- want "window.named"
SELECT SUM(frame_count) OVER (w ROWS 1 PRECEDING) FROM hives WINDOW w AS (ORDER BY name ROWS 1 PRECEDING); -- want "window.named"
SELECT SUM(frame_count) OVER (w PARTITION BY name) FROM hives WINDOW w AS (); -- want "window.named"
SELECT RANK() OVER (w ORDER BY name), RANK() OVER v FROM hives WINDOW w AS (PARTITION BY apiary_id), v AS (w ORDER BY hive_id);
SELECT RANK() OVER (ORDER BY RANK() OVER (ORDER BY name)) FROM hives; -- want "clause.window-outside"
SELECT SUM(frame_count) OVER w FROM hives WINDOW w AS (PARTITION BY ROW_NUMBER() OVER (ORDER BY name)); -- want "clause.window-outside"
SELECT RANK() OVER (ORDER BY (SELECT MAX(n) FROM (SELECT RANK() OVER (ORDER BY q.name) AS n FROM queens q) AS r)) FROM hives;
