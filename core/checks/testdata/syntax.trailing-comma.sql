-- dialect: postgres
SELECT name, frame_count, FROM hives; -- want "syntax.trailing-comma"
SELECT name,
       frame_count, -- the frames -- want "syntax.trailing-comma"
FROM hives
WHERE moved_on = NULL; -- want "null.equals"
SELECT name FROM hives WHERE hive_id IN (1, 2,); -- want "syntax.trailing-comma"
SELECT name FROM hives ORDER BY name, LIMIT 3; -- want "syntax.trailing-comma"
SELECT COUNT(*) FROM hives GROUP BY apiary_id,; -- want "syntax.trailing-comma"
SELECT name, frame_count FROM hives;
SELECT name FROM hives WHERE hive_id IN (1, 2);
SELECT ',' AS comma, name FROM hives -- , FROM
ORDER BY name, hive_id;
