-- dialect: sqlite
SELECT name FROM hives WHERE frame_count = 'ten'; -- want "type.literal"
SELECT name FROM hives WHERE frame_count < '12';
SELECT name FROM hives WHERE name = 'ten' OR frame_count = ' 8';
