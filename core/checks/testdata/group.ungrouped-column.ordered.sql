-- dialect: postgres
-- checks: group.ungrouped-column
SELECT name FROM hives ORDER BY SUM(frame_count); -- want "group.ungrouped-column"
SELECT 1 AS one FROM hives ORDER BY COUNT(*);
SELECT name FROM hives ORDER BY SUM(frame_count) OVER (ORDER BY name);
SELECT name FROM hives GROUP BY name ORDER BY SUM(frame_count);
SELECT name FROM hives ORDER BY (SELECT SUM(weight_kg) FROM harvests);
