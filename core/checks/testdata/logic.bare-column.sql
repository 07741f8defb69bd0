-- dialect: postgres
SELECT name FROM hives WHERE frame_count; -- want "logic.bare-column"
SELECT name FROM hives WHERE NOT frame_count AND name; -- want "logic.bare-column" "logic.bare-column"
SELECT h.name FROM hives AS h JOIN queens AS q ON q.bred_in AND q.queen_id = h.queen_id; -- want "logic.bare-column"
SELECT CASE WHEN frame_count THEN 'some' ELSE 'none' END AS n FROM hives; -- want "logic.bare-column"
SELECT hive_id FROM harvests GROUP BY hive_id HAVING (hive_id) OR COUNT(*) > 3; -- want "logic.bare-column"
-- Conditions, and values where values may stand.
SELECT CASE frame_count WHEN 3 THEN 'few' ELSE 'many' END AS n FROM hives;
SELECT d.big FROM (SELECT frame_count > 3 AS big FROM hives) AS d WHERE d.big AND NOT d.big;
SELECT frame_count FROM hives WHERE frame_count > 3;
SELECT u.x FROM unknown_one AS u WHERE u.x; -- want "name.unknown-table"
