-- dialect: postgres
SELECT name FROM hives WHERE apiary_id = 1 AND keeper_id = 2 OR moved_on IS NULL; -- want "logic.and-or"
SELECT name FROM hives WHERE apiary_id = 1 AND keeper_id = 2 OR keeper_id = 3; -- want "logic.and-or"
SELECT name FROM hives WHERE keeper_id = 2 OR keeper_id = 3 AND apiary_id = 1; -- want "logic.and-or"
SELECT name FROM hives
WHERE apiary_id = 1 -- want "logic.and-or"
  AND keeper_id = 2 OR frame_count = 3;
SELECT name FROM hives
WHERE apiary_id = 1 AND keeper_id = 2 -- want "logic.and-or"
   OR apiary_id = 2 AND keeper_id = 1;
SELECT CASE WHEN apiary_id = 1 AND keeper_id = 2 OR moved_on IS NULL THEN 1 ELSE 0 END FROM hives; -- want "logic.and-or"
SELECT name FROM hives WHERE apiary_id = 1 AND (keeper_id = 2 OR keeper_id = 3);
SELECT name FROM hives WHERE apiary_id = 1 OR keeper_id BETWEEN 2 AND 3;
SELECT name FROM hives WHERE (apiary_id = 1 AND keeper_id = 2) OR (apiary_id = 2 AND keeper_id = 1);
SELECT name FROM hives WHERE apiary_id = 1 OR keeper_id = 2 OR moved_on IS NULL;
SELECT name FROM hives WHERE apiary_id = 1 AND keeper_id = 2 AND moved_on IS NULL;
SELECT name FROM hives WHERE NOT (apiary_id = 1 OR keeper_id = 2) AND moved_on IS NULL;
SELECT name FROM hives WHERE (apiary_id = 1 OR keeper_id = 2) AND EXISTS (SELECT 1 FROM queens WHERE colour = 'red' OR colour IS NULL); -- want "rows.exists-uncorrelated"
SELECT name FROM hives WHERE apiary_id = 1 OR EXISTS (SELECT 1 FROM queens WHERE colour = 'red' AND bred_in = 2024); -- want "rows.exists-uncorrelated"
SELECT name FROM hives WHERE moved_on IS NULL OR moved_on IS NOT NULL AND frame_count > 8; -- want "logic.and-or"
SELECT name FROM hives WHERE apiary_id IN (1, 2) OR apiary_id = 3 AND frame_count > 8; -- want "logic.and-or"
