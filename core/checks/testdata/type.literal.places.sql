-- dialect: postgres
SELECT frame_count + 'one' AS n FROM hives; -- want "type.literal"
SELECT NULLIF(frame_count, '') AS n FROM hives; -- want "type.literal"
SELECT CASE frame_count WHEN 'ten' THEN 1 END AS n FROM hives; -- want "type.literal"
SELECT name FROM hives ORDER BY hive_id LIMIT 'ten'; -- want "type.literal"
UPDATE hives SET moved_on = '' WHERE hive_id = 1; -- want "type.literal"
SELECT name FROM hives WHERE (moved_on, hive_id) > ('2026-01-01', 'x'); -- want "type.literal"
CREATE TABLE scales (scale_id integer, kilos numeric DEFAULT 'none'); -- want "type.literal"
SELECT frame_count + '1' AS n, NULLIF(name, '') AS m FROM hives ORDER BY 1 LIMIT '10';
UPDATE hives SET moved_on = ' Today ', frame_count = '8', name = '' WHERE hive_id = 901
