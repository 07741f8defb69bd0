-- dialect: postgres, possible
-- checks: case.no-else
SELECT name || CASE WHEN frame_count > 8 THEN '!' END AS x FROM hives; -- want "case.no-else"
SELECT name FROM hives WHERE (CASE apiary_id WHEN 1 THEN 3 END) < frame_count; -- want "case.no-else"
SELECT SUM(frame_count * CASE WHEN apiary_id = 1 THEN 1 END) AS x FROM hives;
SELECT name || CASE WHEN frame_count > 8 THEN '!' ELSE '' END AS x, CASE WHEN frame_count > 8 THEN 1 END AS y FROM hives;
