-- dialect: postgres
-- checks: join.wrong-key
SELECT h.name FROM hives h, harvests g WHERE h.hive_id = g.harvest_id; -- want "join.wrong-key"
SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM inspections i WHERE (i."inspection_id") = H.hive_id); -- want "join.wrong-key"
SELECT k.name FROM keepers k JOIN apiaries a ON k.keeper_id = a.apiary_id; -- want "join.wrong-key"
SELECT k.name FROM keepers k JOIN keepers m ON m.keeper_id = k.mentor_id;
SELECT h.name FROM hives h JOIN harvests g ON g.hive_id = h.hive_id;
SELECT g.harvest_id FROM harvests g JOIN treatments t ON t.hive_id = g.hive_id;
