-- dialect: postgres
SELECT name FROM hives WHERE 'frame_count' = '8' AND name <> 'Ash'; -- want "logic.constant-comparison"
SELECT name FROM hives WHERE 'a' = 'b' OR frame_count > 3; -- want "logic.constant-comparison"
SELECT name FROM hives WHERE 1 = 1 AND frame_count > 3;
SELECT name FROM hives WHERE 'a' = 'b';
SELECT name FROM hives WHERE name = 'b' AND CASE WHEN 'a' = 'b' THEN true ELSE false END;
