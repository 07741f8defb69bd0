-- dialect: mariadb
-- checks: math.never-negative
SELECT name FROM keepers WHERE LOCATE('a', name) >= 0; -- want "math.never-negative"
SELECT name FROM keepers WHERE -1 <> INSTR(name, 'a'); -- want "math.never-negative"
SELECT name FROM keepers WHERE INSTR(name, 'a') = -1; -- want "math.never-negative"
SELECT name FROM keepers WHERE CHAR_LENGTH(village) < 0; -- want "math.never-negative"
SELECT keeper_id FROM hives GROUP BY keeper_id HAVING COUNT(*) > -1; -- want "math.never-negative"
SELECT name FROM keepers WHERE INSTR(name, 'a') > 0 OR LENGTH(name) <= 0 OR LOCATE('b', name) <> 0 OR INSTR(name, 'c') < 1;
