-- dialect: postgres, possible
SELECT k.keeper_id, COUNT(*) AS hives FROM keepers AS k JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.keeper_id; -- want "group.inner-loses-parents"
SELECT h.hive_id, COUNT(g.harvest_id) AS harvests FROM harvests AS g JOIN hives AS h ON h.hive_id = g.hive_id GROUP BY h.hive_id; -- want "group.inner-loses-parents"
SELECT h.hive_id, COUNT(g.harvest_id) AS harvests FROM hives AS h LEFT JOIN harvests AS g ON h.hive_id = g.hive_id GROUP BY h.hive_id;
SELECT k.village, COUNT(*) AS hives FROM keepers AS k JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.village;
SELECT h.hive_id, SUM(g.weight_kg) AS kg FROM hives AS h JOIN harvests AS g ON h.hive_id = g.hive_id GROUP BY h.hive_id;
