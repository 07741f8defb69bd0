-- dialect: mariadb
SELECT h.name FROM hives h JOIN harvests g ON g.hive_id = h.hive_id AND SUM(g.weight_kg) > 20; -- want "clause.aggregate-in-join"
SELECT h.name FROM hives h LEFT JOIN harvests g ON MAX(g.weight_kg) = h.frame_count; -- want "clause.aggregate-in-join"
SELECT h.name FROM hives h JOIN harvests g ON g.hive_id = h.hive_id JOIN keepers k ON k.keeper_id = COUNT(*); -- want "clause.aggregate-in-join"
SELECT h.name FROM hives h JOIN harvests g ON g.weight_kg = (SELECT MAX(weight_kg) FROM harvests); -- want "join.self-condition"
SELECT h.name FROM hives h JOIN (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) g ON g.hive_id = h.hive_id AND g.kg > 20;
SELECT SUM(g.weight_kg) FROM hives h JOIN harvests g ON g.hive_id = h.hive_id;
