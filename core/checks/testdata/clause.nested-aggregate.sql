-- dialect: sqlite
SELECT MAX(SUM(weight_kg)) FROM harvests; -- want "clause.nested-aggregate"
SELECT hive_id, AVG(COUNT(*)) FROM harvests GROUP BY hive_id; -- want "clause.nested-aggregate"
SELECT SUM(weight_kg * COUNT(*)) FROM harvests; -- want "clause.nested-aggregate"
SELECT hive_id, SUM(SUM(weight_kg)) OVER (ORDER BY hive_id) FROM harvests GROUP BY hive_id;
SELECT SUM((SELECT MAX(g.weight_kg) FROM harvests g WHERE g.hive_id = h.hive_id)) FROM hives h;
SELECT MAX(kg) FROM (SELECT SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS g;
SELECT MAX(MIN(frame_count, 3)) FROM hives;
SELECT ROUND(SUM(weight_kg)), COALESCE(MAX(moisture), 0) FROM harvests;
