-- dialect: postgres
SELECT name FROM hives WHERE name = 7; -- want "type.operands"
SELECT name FROM hives WHERE 7 <> name; -- want "type.operands"
SELECT name FROM hives WHERE name = '7' AND frame_count = '7' AND moved_on > '2026-01-01';
SELECT name FROM hives WHERE frame_count IN (1, 2.5, '3');
SELECT name FROM hives WHERE name IN ('Ash', 7); -- want "type.operands"
SELECT name FROM hives WHERE moved_on BETWEEN 20260101 AND '2026-12-31'; -- want "type.operands"
SELECT name FROM hives WHERE moved_on BETWEEN '2026-01-01' AND CURRENT_TIMESTAMP;
SELECT h.name FROM hives h JOIN keepers k ON k.name = h.hive_id; -- want "type.operands"
SELECT h.name FROM hives h JOIN keepers k ON k.keeper_id = h.hive_id + 0.5;
SELECT name + 'x' FROM hives; -- want "type.operands"
SELECT name || frame_count || NULL FROM hives;
SELECT moved_on + 1, moved_on - moved_on, moved_on + INTERVAL '1 day', CURRENT_DATE - 7 FROM hives;
SELECT moved_on + 1.5 FROM hives; -- want "type.operands"
SELECT moved_on + moved_on FROM hives; -- want "type.operands"
SELECT name FROM hives WHERE frame_count LIKE '1%'; -- want "type.operands"
SELECT CASE frame_count WHEN '10' THEN 1 WHEN 8 THEN 2 END FROM hives WHERE hive_id = -1;
SELECT CASE name WHEN 8 THEN 2 END FROM hives; -- want "type.operands"
SELECT -name FROM hives; -- want "type.operands"
SELECT n FROM (SELECT CAST(hive_id AS text) AS n FROM hives) x WHERE n = 3; -- want "type.operands"
SELECT n FROM (SELECT hive_id AS n FROM hives) x WHERE n = 3;
SELECT n FROM (SELECT 'a' AS n) x WHERE n = 3; -- want "type.operands"
SELECT COUNT(*) FROM hives GROUP BY apiary_id HAVING COUNT(*) > 'x' || 1 OR MAX(name) > 3; -- want "type.operands" "type.operands"
SELECT name FROM hives WHERE COALESCE(frame_count, 0) = 1 AND COALESCE(name, '') = '' AND NULLIF(name, '') = 'x'; -- want "null.needless-coalesce" "null.needless-coalesce"
SELECT name FROM hives WHERE COALESCE(name, '') = 0; -- want "null.needless-coalesce" "type.operands"
SELECT name FROM hives WHERE (SELECT MAX(taken_on) FROM harvests) = 1; -- want "type.operands"
SELECT COALESCE(moved_on, frame_count) FROM hives; -- want "case.mixed-types"
SELECT COALESCE(frame_count, 0.5), GREATEST(name, 'x'), NULLIF(frame_count, '0'), LEAST(moved_on, TIMESTAMP '2026-01-01 00:00:00') FROM hives; -- want "null.needless-coalesce"
SELECT CASE WHEN hive_id = 1 THEN name ELSE frame_count END FROM hives; -- want "case.mixed-types"
SELECT NULLIF(name, 0) FROM hives; -- want "type.operands"
SELECT -'7' FROM hives; -- want "type.operands"
SELECT name FROM hives WHERE NULLIF('7', frame_count) = 3;
SELECT COALESCE(frame_count, '0', NULL), COALESCE(moved_on, 'infinity'), CASE WHEN hive_id = 1 THEN 0.5 ELSE '1.5' END FROM hives; -- want "null.needless-coalesce"
SELECT name FROM hives WHERE name % 'light';
SELECT name FROM hives WHERE name % 3 = 1; -- want "type.operands"
SELECT name * 3 FROM hives; -- want "type.operands"
