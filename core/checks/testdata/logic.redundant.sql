-- dialect: postgres
SELECT name FROM hives WHERE frame_count > 5 AND frame_count > 3; -- want "logic.redundant"
SELECT name FROM hives WHERE frame_count > 3 AND frame_count > 5 AND keeper_id = 1; -- want "logic.redundant"
SELECT name FROM hives WHERE apiary_id = 1 AND keeper_id = 2 AND apiary_id = 1; -- want "logic.redundant"
SELECT name FROM hives WHERE apiary_id = 1 AND apiary_id IN (1, 2); -- want "logic.redundant"
SELECT name FROM hives WHERE moved_on IS NOT NULL AND moved_on > DATE '2026-01-01'; -- want "logic.redundant"
SELECT name FROM queens WHERE colour = 'red' AND colour <> 'blue'; -- want "logic.redundant"
SELECT name FROM hives WHERE name = keeper_id::text AND name = keeper_id::text; -- want "logic.redundant"
SELECT name FROM hives WHERE random() < 0.5 AND random() < 0.5;
SELECT name FROM hives WHERE frame_count > 5 AND frame_count < 9;
SELECT name FROM hives WHERE frame_count > 5 AND keeper_id > 3;
SELECT name FROM hives WHERE apiary_id = 1 AND (keeper_id = 1 OR apiary_id = 1);
