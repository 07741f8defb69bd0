-- dialect: postgres
-- checks: range.reversed, logic.always-false
SELECT hive_id FROM harvests WHERE taken_on BETWEEN DATE '2026-06-30' AND DATE '2026-06-01' AND weight_kg > 3; -- want "range.reversed"
SELECT name FROM hives h WHERE NOT (h.frame_count BETWEEN (3) AND -3); -- want "range.reversed"
SELECT CASE WHEN weight_kg BETWEEN 2.5 AND 1.5 THEN 1 END AS x FROM harvests; -- want "range.reversed"
SELECT name FROM hives WHERE frame_count BETWEEN SYMMETRIC 9 AND 3;
SELECT name FROM hives WHERE name BETWEEN '9' AND '10';
SELECT name FROM hives WHERE frame_count BETWEEN 3 AND hive_id;
SELECT name FROM hives WHERE frame_count < 3 AND frame_count > 9; -- want "logic.always-false"
