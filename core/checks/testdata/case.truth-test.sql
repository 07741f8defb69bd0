-- dialect: postgres
-- checks: case.truth-test
SELECT name FROM hives WHERE 'y' = (CASE WHEN frame_count > 8 OR apiary_id = 1 THEN 'y' ELSE 'n' END) AND hive_id > 3; -- want "case.truth-test"
SELECT name FROM hives WHERE CASE WHEN frame_count > 8 THEN 1 ELSE 0 END <> 1; -- want "case.truth-test"
SELECT name FROM hives WHERE CASE WHEN frame_count > 8 THEN 1 ELSE 0 END = 2;
SELECT name FROM hives WHERE CASE WHEN frame_count > 8 THEN hive_id ELSE 0 END = 0;
SELECT name FROM hives WHERE CASE WHEN frame_count > 8 THEN 1 END = 1;
