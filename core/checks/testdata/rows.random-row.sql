-- dialect: postgres
-- checks: rows.random-row
SELECT name FROM keepers AS k WHERE (random() * 10)::integer = k.keeper_id; -- want "rows.random-row"
SELECT h.name FROM hives h JOIN keepers k ON k.keeper_id > floor(random() * 7) + 1 WHERE h.hive_id = 1; -- want "rows.random-row"
SELECT name FROM keepers WHERE keeper_id = (SELECT (random() * 10)::integer);
SELECT name, random() > 0.5 AS heads FROM keepers WHERE random() < 0.1 AND keeper_id > 3 ORDER BY random();
UPDATE hives SET frame_count = floor(random() * 10) WHERE hive_id = 1;
