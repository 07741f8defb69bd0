-- dialect: sqlite
SELECT t.treated_on - h.moved_on AS days FROM treatments AS t JOIN hives AS h ON h.hive_id = t.hive_id; -- want "math.date-difference"
SELECT MAX(inspected_at) - MIN(inspected_at) AS seconds FROM inspections; -- want "math.date-difference"
SELECT julianday(MAX(inspected_at)) - julianday(MIN(inspected_at)) AS days FROM inspections;
SELECT strftime('%Y', moved_on) - frame_count AS years FROM hives;
