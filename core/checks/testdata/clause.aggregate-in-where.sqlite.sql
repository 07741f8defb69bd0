-- dialect: sqlite
SELECT SUM(frame_count) AS total FROM hives WHERE total > 3; -- want "clause.aggregate-in-where"
SELECT hive_id, ROW_NUMBER() OVER (ORDER BY weight_kg) AS n FROM harvests WHERE n = 1; -- want "clause.aggregate-in-where"
SELECT hive_id, weight_kg * 1000 AS grams FROM harvests WHERE grams > 3;
SELECT h.name FROM hives h JOIN queens q ON q.queen_id = k.keeper_id JOIN keepers k ON k.keeper_id = h.keeper_id; -- want "type.different-domains"
SELECT kg FROM (SELECT weight_kg AS kg, moisture AS kg FROM harvests) AS d;
SELECT a.hive_id FROM hives AS a, hives AS a; -- want "name.ambiguous-column" "name.duplicate-alias"
SELECT name FROM hives h WHERE h.hive_id >= ALL (SELECT g.hive_id FROM harvests g); -- want "syntax.other-dialect"
