-- dialect: mariadb
-- checks: logic.always-false, range.reversed, logic.always-true, logic.redundant, logic.or-chain, logic.chained-comparison, logic.bare-value
SELECT name FROM hives WHERE hive_id = 1 AND hive_id = 2; -- want "logic.always-false"
SELECT name FROM hives WHERE hive_id = 1 AND hive_id = 1; -- want "logic.redundant"
SELECT name FROM hives WHERE hive_id = 1 AND (hive_id = 2 OR name = 'Ash');
SELECT name FROM hives WHERE name = 'Ash' OR (hive_id = 1 AND hive_id = 2); -- want "logic.always-false"
SELECT name FROM hives WHERE NOT (hive_id = 1 AND hive_id = 2); -- want "logic.always-false"
SELECT name FROM hives WHERE hive_id > 5 AND hive_id < 5; -- want "logic.always-false"
SELECT name FROM hives WHERE hive_id >= 5 AND hive_id <= 5;
SELECT name FROM hives WHERE hive_id BETWEEN 9 AND 3; -- want "range.reversed"
SELECT name FROM hives WHERE hive_id NOT BETWEEN 9 AND 3; -- want "range.reversed"
SELECT name FROM hives WHERE hive_id BETWEEN 3 AND 9 AND hive_id > 9; -- want "logic.always-false"
SELECT name FROM hives WHERE 1 = 0;
SELECT name FROM hives WHERE 1 = 0 AND name = 'Ash'; -- want "logic.always-false"
SELECT name FROM hives WHERE FALSE AND name = 'Ash'; -- want "logic.always-false"
SELECT name FROM hives WHERE 1 = 1 AND name = 'Ash';
CREATE TABLE copied AS SELECT name FROM hives WHERE 1 = 0 AND name = 'Ash';
SELECT name FROM hives WHERE hive_id <> 1 OR hive_id <> 2; -- want "logic.always-true"
SELECT name FROM hives WHERE hive_id <> 1 OR hive_id IS NULL;
SELECT name FROM hives WHERE hive_id > 3 OR hive_id < 5; -- want "logic.always-true"
SELECT name FROM hives WHERE hive_id > 5 OR hive_id < 3;
SELECT name FROM hives WHERE moved_on IS NULL OR moved_on IS NOT NULL;
SELECT name FROM hives WHERE name <> 'Ash' OR name <> 'Elm'; -- want "logic.always-true"
SELECT name FROM hives WHERE keeper_id = 3 AND (hive_id <> 1 OR hive_id <> 2); -- want "logic.always-true"
SELECT h.name FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id AND q.bred_in > 2020 AND q.bred_in > 2018; -- want "logic.redundant"
SELECT name FROM hives WHERE hive_id > 5 AND hive_id > 3; -- want "logic.redundant"
SELECT name FROM hives WHERE (hive_id > 5) AND hive_id > 3; -- want "logic.redundant"
SELECT name FROM hives WHERE (hive_id > 5 AND keeper_id = 1) AND hive_id > 3;
SELECT name FROM hives WHERE hive_id = 5 AND hive_id IN (5, 6); -- want "logic.redundant"
SELECT name FROM hives WHERE moved_on IS NOT NULL AND moved_on > '2026-01-01'; -- want "logic.redundant"
SELECT name FROM hives WHERE moved_on IS NOT NULL AND moved_on <> '2026-01-01';
SELECT name FROM hives WHERE name = 'Ash' AND name = 'Ash'; -- want "logic.redundant"
SELECT name FROM hives WHERE RAND() > 0.5 AND RAND() > 0.5;
SELECT name FROM hives WHERE hive_id = 1 OR hive_id = 2 OR hive_id = 3; -- want "logic.or-chain"
SELECT name FROM hives WHERE hive_id = 1 OR 2 = hive_id OR hive_id = 3; -- want "logic.or-chain"
SELECT name FROM hives WHERE (hive_id = 1 OR hive_id = 2) OR hive_id = 3; -- want "logic.or-chain"
SELECT name FROM hives WHERE hive_id = 1 OR hive_id = 2;
SELECT name FROM hives WHERE hive_id = 1 OR hive_id = 2 OR keeper_id = 3;
SELECT name FROM hives WHERE hive_id = 1 OR hive_id = 2 OR hive_id > 3;
SELECT name FROM hives WHERE hive_id = 1 OR hive_id = ? OR hive_id = 3; -- want "logic.or-chain"
SELECT name FROM hives WHERE hive_id = 1 OR /* old */ hive_id = 2 OR hive_id = 3;
SELECT name FROM hives WHERE 1 < hive_id < 9; -- want "logic.chained-comparison"
SELECT name FROM hives WHERE 1 < hive_id < 9 < 12; -- want "logic.chained-comparison"
SELECT name FROM hives WHERE (1 < hive_id) < 9;
SELECT name FROM hives WHERE hive_id = 1 = TRUE;
SELECT name FROM hives WHERE hive_id = 1 OR 2; -- want "logic.bare-value"
SELECT name FROM hives WHERE hive_id = 1 OR 'x'; -- want "logic.bare-value"
SELECT name FROM hives WHERE hive_id > 1 AND 2; -- want "logic.bare-value"
SELECT name FROM hives WHERE hive_id = 1 OR hive_id = 2 OR 3; -- want "logic.bare-value"
SELECT name FROM hives WHERE 2 OR hive_id = 1;
SELECT name FROM hives WHERE hive_id = 1 OR TRUE;
