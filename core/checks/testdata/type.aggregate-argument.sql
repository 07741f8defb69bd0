-- dialect: sqlite
-- checks: type.aggregate-argument
SELECT apiary_id, AVG(h.name) AS a FROM hives h GROUP BY apiary_id HAVING SUM(name) > 3; -- want "type.aggregate-argument" "type.aggregate-argument"
SELECT SUM(frame_count) AS a, COUNT(name) AS b, MIN(name) AS c, SUM(LENGTH(name)) AS d, SUM(moved_on IS NULL) AS e FROM hives;
