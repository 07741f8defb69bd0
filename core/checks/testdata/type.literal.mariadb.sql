-- dialect: mariadb
SELECT name FROM hives WHERE frame_count = 'ten'; -- want "type.literal"
SELECT name FROM hives WHERE frame_count > '8 frames'; -- want "type.literal"
SELECT name FROM hives WHERE frame_count = '8' AND name = 'ten';
SELECT name FROM hives WHERE frame_count IN ('8.5', '1e1');
