-- dialect: mariadb
-- checks: clause.window-outside, clause.aggregate-in-group-by
SELECT apiary_id, RANK() OVER (ORDER BY apiary_id) AS r FROM hives GROUP BY apiary_id + r; -- want "clause.window-outside"
SELECT apiary_id, RANK() OVER (ORDER BY apiary_id) AS r FROM hives GROUP BY apiary_id HAVING r > 3; -- want "clause.window-outside"
SELECT apiary_id, RANK() OVER (ORDER BY apiary_id) AS r FROM hives GROUP BY apiary_id HAVING apiary_id > 3 ORDER BY r;
SELECT apiary_id + 1 AS r, COUNT(*) AS n FROM hives GROUP BY apiary_id HAVING r > 3;
SELECT apiary_id + 1 AS r, COUNT(*) AS n FROM hives GROUP BY n + 1; -- want "clause.aggregate-in-group-by"
SELECT apiary_id + 1 AS r, (SELECT COUNT(*) FROM queens) AS n FROM hives GROUP BY r, n + 1;
