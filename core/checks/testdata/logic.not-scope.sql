-- dialect: postgres
SELECT name FROM hives WHERE NOT apiary_id = 1 AND keeper_id = 2; -- want "logic.not-scope"
SELECT name FROM hives WHERE keeper_id = 2 OR NOT name LIKE 'A%';
SELECT name FROM hives WHERE not apiary_id in (1, 2) and keeper_id = 2; -- want "logic.not-scope"
SELECT name FROM hives WHERE NOT frame_count BETWEEN 3 AND 5 AND keeper_id = 2; -- want "logic.not-scope"
SELECT name FROM hives WHERE NOT frame_count < 3 AND keeper_id = 2; -- want "logic.not-scope"
SELECT name FROM hives WHERE NOT (apiary_id = 1 AND keeper_id = 2);
SELECT name FROM hives WHERE NOT apiary_id = 1;
SELECT name FROM hives WHERE NOT (apiary_id = 1) AND keeper_id = 2;
SELECT name FROM hives WHERE NOT EXISTS (SELECT 1 FROM queens) AND keeper_id = 2;
SELECT name FROM hives WHERE NOT apiary_id = ANY (SELECT apiary_id FROM apiaries) AND keeper_id = 2;
SELECT h.name FROM hives h WHERE NOT h.moved_on IS NULL AND h.keeper_id = 2;
SELECT h.name FROM hives h WHERE (NOT h.keeper_id >= 2) OR h.keeper_id = 7;
