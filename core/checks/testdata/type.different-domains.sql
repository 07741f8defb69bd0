-- dialect: postgres
SELECT h.name, k.name AS keeper FROM hives AS h JOIN keepers AS k ON k.keeper_id = h.hive_id; -- want "join.wrong-key"
SELECT h.name FROM hives AS h, inspections AS i WHERE i.keeper_id = h.hive_id; -- want "type.different-domains"
SELECT h.name FROM hives AS h JOIN apiaries AS a ON a.apiary_id = h.queen_id; -- want "type.different-domains"
SELECT h.name FROM hives AS h WHERE EXISTS (SELECT 1 FROM harvests AS g WHERE g.harvest_id = h.hive_id); -- want "join.wrong-key"
SELECT h.name, k.name AS keeper FROM hives AS h JOIN keepers AS k ON k.keeper_id = h.keeper_id;
SELECT i.mites FROM inspections AS i JOIN harvests AS g ON g.hive_id = i.hive_id;
SELECT h.name FROM hives AS h JOIN apiaries AS a ON a.apiary_id = h.frame_count;
SELECT k.name FROM keepers AS k JOIN keepers AS m ON m.keeper_id = k.mentor_id;
SELECT q.queen_id FROM queens AS q WHERE q.queen_id = q.mother_id;
SELECT h.name FROM hives AS h WHERE h.hive_id = 4;
