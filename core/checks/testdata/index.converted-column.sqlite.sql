-- dialect: sqlite
SELECT apiary_id FROM apiaries WHERE name = 7 OR altitude_m = '7' OR apiary_id IN ('7', 8);
SELECT name FROM hives WHERE moved_on = 20260501 OR frame_count = 7.5;
