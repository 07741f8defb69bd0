-- dialect: postgres
-- checks: join.distinct-hides
SELECT DISTINCT h.* FROM hives h JOIN harvests g ON g.hive_id = h.hive_id; -- want "join.distinct-hides"
select distinct a.apiary_id, a.name -- want "join.distinct-hides"
from apiaries a
join hives h on h.apiary_id = a.apiary_id -- those with hives
where h.frame_count > 8;
SELECT DISTINCT h.name AS hive, a.name AS apiary, h.hive_id FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id JOIN harvests g ON g.hive_id = h.hive_id OR g.weight_kg > 30 WHERE a.altitude_m > 200; -- want "join.distinct-hides"
SELECT DISTINCT h.hive_id, g.taken_on FROM hives h JOIN harvests g ON g.hive_id = h.hive_id;
SELECT DISTINCT a.name, h.frame_count FROM apiaries a JOIN hives h ON h.apiary_id = a.apiary_id;
SELECT DISTINCT ON (h.hive_id) h.hive_id FROM hives h JOIN harvests g ON g.hive_id = h.hive_id;
SELECT DISTINCT h.hive_id, COUNT(*) FROM hives h JOIN harvests g ON g.hive_id = h.hive_id GROUP BY h.hive_id;
SELECT DISTINCT h.hive_id FROM hives h JOIN queens q ON q.queen_id = h.queen_id;
