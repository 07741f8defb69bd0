-- dialect: postgres
SELECT LOWER(frame_count) FROM hives; -- want "type.argument-type"
SELECT LOWER(name), UPPER('a'), LENGTH(NULL), ABS(frame_count), ROUND(frame_count / 3.0, 2) FROM hives;
SELECT ROUND(SQRT(frame_count), 1) FROM hives; -- want "type.argument-type"
SELECT SUM(name) FROM hives; -- want "type.argument-type"
SELECT AVG(frame_count), MIN(name), BOOL_AND(frame_count > 1), ARRAY_AGG(name) FROM hives;
SELECT SUBSTRING(frame_count, 1, 2) FROM hives; -- want "type.argument-type"
SELECT TO_CHAR(moved_on, 'YYYY-MM'), DATE_TRUNC('month', moved_on), DATE_PART('year', moved_on) FROM hives;
SELECT DATE_TRUNC('month', name) FROM hives; -- want "type.argument-type"
SELECT CONCAT(name, 1, NULL), FORMAT('%s', name), GREATEST(1, 2.5), LAG(name, 1, 'none') OVER (ORDER BY hive_id) FROM hives;
SELECT STRING_AGG(frame_count, ', ') FROM hives; -- want "type.argument-type"
SELECT LEFT(name, '2'), REPLACE(name, 'a', 'b'), POSITION('a' IN name), TRIM(name), EXTRACT(YEAR FROM moved_on) FROM hives;
SELECT REPLACE(name, 1, 2) FROM hives; -- want "type.argument-type"
