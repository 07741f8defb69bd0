-- dialect: postgres
SELECT name FROM hives WHERE apiary_id <> 1 OR apiary_id <> 2; -- want "logic.always-true"
SELECT name FROM hives WHERE frame_count > 5 OR frame_count < 10; -- want "logic.always-true"
SELECT name FROM hives WHERE keeper_id = 3 AND (apiary_id <> 1 OR apiary_id <> 2); -- want "logic.always-true"
SELECT name FROM queens WHERE colour <> 'red' OR colour <> 'blue'; -- want "logic.always-true"
SELECT name FROM queens WHERE colour NOT IN ('red', 'blue') OR colour <> 'green'; -- want "logic.always-true"
SELECT name FROM hives WHERE frame_count <= 5 OR frame_count > 5; -- want "logic.always-true"
SELECT name FROM hives WHERE apiary_id <> 1 AND apiary_id <> 2;
SELECT name FROM hives WHERE apiary_id <> 1 OR keeper_id <> 2;
SELECT name FROM hives WHERE frame_count < 5 OR frame_count > 10;
SELECT name FROM hives WHERE moved_on IS NULL OR moved_on IS NOT NULL;
SELECT name FROM queens WHERE colour <> 'red' OR colour IS NULL;
