-- dialect: postgres
-- checks: join.unused
SELECT h.name
FROM hives h
LEFT JOIN queens q ON q.queen_id = h.queen_id -- the queen -- want "join.unused"
WHERE h.frame_count > 3;
SELECT h.name FROM hives h LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id AND a.altitude_m > 300 LEFT JOIN queens q ON q.queen_id = h.queen_id WHERE q.colour = 'blue'; -- want "join.unused"
SELECT h.name FROM hives h LEFT JOIN (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) g ON g.hive_id = h.hive_id; -- want "join.unused"
SELECT h.name FROM hives h LEFT JOIN harvests g ON g.hive_id = h.hive_id;
SELECT h.name, (SELECT k.name FROM keepers k WHERE k.keeper_id = a.keeper_id) FROM hives h LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id;
SELECT h.name, a FROM hives h LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id;
SELECT h.name, a.* FROM hives h LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id;
SELECT COUNT(*) FROM hives h LEFT JOIN harvests g ON g.hive_id = h.hive_id;
SELECT h.name FROM hives h LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id ORDER BY a.altitude_m;
SELECT h.name FROM hives h LEFT JOIN apiaries a USING (apiary_id);
