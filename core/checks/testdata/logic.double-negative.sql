-- dialect: postgres
SELECT name FROM hives WHERE NOT (apiary_id <> 1); -- want "logic.double-negative"
SELECT name FROM hives WHERE NOT (moved_on IS NOT NULL); -- want "logic.double-negative"
SELECT name FROM hives WHERE NOT apiary_id <> 1 AND keeper_id = 2; -- want "logic.double-negative"
SELECT name FROM hives WHERE NOT (NOT (apiary_id = 1)); -- want "logic.double-negative"
SELECT name FROM hives WHERE NOT (apiary_id = 1);
SELECT name FROM hives WHERE apiary_id <> 1;
SELECT name FROM hives WHERE NOT (apiary_id <> 1 AND keeper_id <> 2);
SELECT name FROM hives WHERE frame_count > 3 AND NOT (NOT (apiary_id = 1 OR apiary_id = 2)) AND keeper_id = 1; -- want "logic.double-negative"
SELECT name FROM hives WHERE NOT (NOT (apiary_id = 1)) OR keeper_id = 1; -- want "logic.double-negative"
