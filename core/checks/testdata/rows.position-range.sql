-- dialect: postgres
SELECT name FROM hives ORDER BY 2; -- want "rows.position-range"
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY 2; -- want "rows.position-range"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id ORDER BY 1, 3 DESC; -- want "rows.position-range"
SELECT name FROM hives ORDER BY 0; -- want "rows.position-range"
SELECT name, frame_count FROM hives ORDER BY 2;
SELECT * FROM hives ORDER BY 7;
SELECT * FROM hives ORDER BY 8; -- want "rows.position-range"
SELECT name FROM hives ORDER BY 1 + 4;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY 1; -- want "group.position"
SELECT name FROM hives ORDER BY frame_count LIMIT 5;
