-- dialect: postgres
SELECT * FROM (SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id) AS d WHERE d.n > 3; -- want "group.filter-outside"
SELECT d.apiary_id FROM (SELECT apiary_id, COUNT(*) AS n, MAX(frame_count) AS top FROM hives GROUP BY apiary_id) AS d WHERE d.n > 3 AND d.top < 12 ORDER BY d.n; -- want "group.filter-outside"
SELECT d.apiary_id FROM (SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id) AS d WHERE d.apiary_id > 3;
SELECT d.apiary_id, d.n + 1 AS n FROM (SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id) AS d WHERE d.n > 3;
SELECT d.apiary_id FROM (SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id LIMIT 5) AS d WHERE d.n > 3; -- want "rows.limit-unordered"
SELECT d.apiary_id FROM (SELECT apiary_id, COUNT(*) AS n, RANK() OVER (ORDER BY COUNT(*)) AS r FROM hives GROUP BY apiary_id) AS d WHERE d.r < 3;
