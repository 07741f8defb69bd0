-- dialect: postgres
-- checks: join.natural
SELECT frame_count, weight_kg FROM hives NATURAL INNER JOIN harvests; -- want "join.natural"
SELECT frame_count, colour FROM (SELECT hive_id AS hive, frame_count FROM hives) AS h NATURAL JOIN queens; -- want "join.natural"
SELECT frame_count, treated_on FROM hives /* all */ NATURAL /* ! */ LEFT JOIN treatments; -- want "join.natural"
SELECT h.frame_count, g.weight_kg FROM hives h JOIN harvests g USING (hive_id);
