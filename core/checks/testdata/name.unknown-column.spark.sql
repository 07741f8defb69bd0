-- dialect: spark
-- checks: name.unknown-column

-- VALUES numbers its columns
SELECT x.col1, x.col2 FROM VALUES (1, 2) AS x;
SELECT x.col3 FROM VALUES (1, 2) AS x; -- want "name.unknown-column"

SELECT name FROM hives WHERE frame_count > least_frames; -- want "name.unknown-column"

-- behind DECLARE a name may be that of a variable of the session
DECLARE VARIABLE least_frames INT DEFAULT 3;
SELECT least_frames;
SELECT name FROM hives WHERE frame_count > least_frames;
