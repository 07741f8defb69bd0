-- dialect: sqlite
-- checks: group.ungrouped-column
SELECT name FROM hives ORDER BY SUM(frame_count); -- want "group.ungrouped-column"
SELECT name FROM hives GROUP BY name ORDER BY SUM(frame_count);
