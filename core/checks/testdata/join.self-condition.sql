-- dialect: postgres
-- checks: join.self-condition
SELECT h.name FROM hives h JOIN harvests g ON g.weight_kg > 20; -- want "join.self-condition"
SELECT h.name FROM hives h LEFT JOIN harvests g ON h.hive_id = h.hive_id; -- want "join.self-condition"
SELECT h.name FROM hives h JOIN harvests g ON g.weight_kg > 20 OR g.moisture IS NULL; -- want "join.self-condition"
SELECT k.name FROM keepers k JOIN apiaries a ON a.keeper_id = k.keeper_id JOIN hives h ON (a.keeper_id = k.keeper_id); -- want "join.self-condition"
SELECT h.name FROM hives h JOIN harvests g ON (g.hive_id = h.hive_id);
SELECT h.name FROM hives h JOIN harvests g ON TRUE WHERE g.hive_id = h.hive_id;
SELECT h.name FROM hives h JOIN harvests g ON EXISTS (SELECT 1 FROM sales s WHERE s.harvest_id = g.harvest_id AND s.jars = h.frame_count);
SELECT h.name FROM hives h JOIN LATERAL (SELECT g.weight_kg FROM harvests g WHERE g.hive_id = h.hive_id) x ON x.weight_kg > 3;
SELECT h.name FROM hives h JOIN apiaries a ON a.apiary_id = 3;
SELECT h.name FROM hives h JOIN apiaries a ON 1 = 1;
SELECT h.name FROM hives h JOIN harvests g ON g.weight_kg > 20 JOIN sales s ON s.harvest_id = g.harvest_id AND s.jars = h.frame_count;
