-- dialect: mariadb
SELECT t.treated_on - h.moved_on AS days FROM treatments AS t JOIN hives AS h ON h.hive_id = t.hive_id; -- want "math.date-difference"
SELECT MAX(inspected_at) - MIN(inspected_at) AS seconds FROM inspections; -- want "math.date-difference"
SELECT name FROM hives WHERE CURRENT_DATE - moved_on > 30; -- want "math.date-difference"
SELECT DATEDIFF(CURRENT_DATE, moved_on) AS days, moved_on - INTERVAL 1 DAY AS before_it, YEAR('2026-01-01') - YEAR(moved_on) AS years FROM hives;
