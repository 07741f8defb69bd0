-- dialect: mariadb
SELECT name FROM hives WHERE moved_on + 30 < '2026-06-01'; -- want "math.date-plus-number"
SELECT 7 + moved_on AS due FROM hives; -- want "math.date-plus-number"
SELECT hive_id FROM inspections WHERE inspected_at > CURRENT_DATE - 7; -- want "math.date-plus-number"
SELECT d.last + frame_count AS due FROM (SELECT MAX(moved_on) AS last, frame_count FROM hives GROUP BY frame_count) AS d; -- want "math.date-plus-number"
SELECT moved_on + INTERVAL 30 DAY AS a, moved_on + 0 AS b, frame_count + 30 AS c, YEAR(moved_on) + 1 AS d, DATEDIFF(moved_on, '2026-01-01') + 1 AS e FROM hives;
