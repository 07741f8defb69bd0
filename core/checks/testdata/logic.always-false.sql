-- dialect: postgres
SELECT name FROM hives WHERE apiary_id = 1 AND apiary_id = 2; -- want "logic.always-false"
SELECT name FROM hives WHERE frame_count > 10 AND frame_count < 5; -- want "logic.always-false"
SELECT name FROM hives WHERE frame_count BETWEEN 10 AND 5; -- want "range.reversed"
SELECT name FROM hives WHERE keeper_id = 3 AND apiary_id IN (1, 2) AND apiary_id = 3; -- want "logic.always-false"
SELECT name FROM hives WHERE moved_on > DATE '2026-05-01' AND moved_on < DATE '2026-04-01'; -- want "logic.always-false"
SELECT name FROM queens WHERE colour = 'red' AND colour = 'blue'; -- want "logic.always-false"
SELECT name FROM queens WHERE colour IS NULL AND colour = 'red'; -- want "logic.always-false"
SELECT name FROM hives WHERE apiary_id = 3 AND 1 = 2; -- want "logic.always-false"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING apiary_id = 1 AND apiary_id > 1 AND COUNT(*) > 3; -- want "group.having-as-where" "group.having-as-where" "logic.always-false"
SELECT h.name FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id AND q.bred_in > 2025 AND q.bred_in < 2024; -- want "join.unused" "logic.always-false"
SELECT name FROM hives WHERE keeper_id = 3 OR apiary_id = 1 AND apiary_id = 2; -- want "logic.always-false" "logic.and-or"
SELECT name FROM hives WHERE apiary_id = 1 OR apiary_id = 2;
SELECT name FROM queens WHERE colour = 'red' AND colour = 'Red';
SELECT name FROM hives WHERE frame_count > 5 AND frame_count < 10;
SELECT name FROM hives WHERE frame_count >= 5 AND frame_count <= 5;
SELECT a.name FROM hives a JOIN hives b ON a.apiary_id = 1 AND b.apiary_id = 2;
CREATE TABLE no_hives AS SELECT * FROM hives WHERE 1 = 0;
SELECT name FROM hives WHERE 1 = 0;
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests WHERE weight_kg > 3) AND hive_id < 2;
