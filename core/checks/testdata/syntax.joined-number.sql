-- dialect: sqlite
-- checks: syntax.joined-number
SELECT name FROM hives WHERE hive_id = 1OR frame_count = 0x1Fand 1; -- want "syntax.joined-number"
SELECT name FROM hives WHERE frame_count BETWEEN 1 AND 10ORDER BY name; -- want "syntax.joined-number"
SELECT name FROM hives WHERE queen_id = 12a; -- want "syntax.joined-number"
SELECT 1e3, 1.5e-2, .5, 0xFF, 'a' || 10, (1)AS one FROM hives;
SELECT name AS hive_1, frame_count AS "10AND" FROM hives LIMIT 10 OFFSET 5;
