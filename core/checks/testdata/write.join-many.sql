-- dialect: postgres
-- checks: write.join-many
UPDATE hives h SET frame_count = 8, moved_on = t.treated_on FROM treatments t WHERE h.hive_id = t.hive_id; -- want "write.join-many"
UPDATE hives h SET moved_on = t.treated_on FROM treatments t JOIN keepers k ON k.keeper_id = t.treatment_id WHERE h.hive_id = t.hive_id AND h.frame_count > 3;
UPDATE hives h SET moved_on = t.treated_on FROM treatments t WHERE h.hive_id = t.hive_id AND t.treated_on = (SELECT MAX(treated_on) FROM treatments);
UPDATE hives h SET keeper_id = a.keeper_id FROM apiaries a WHERE a.apiary_id = h.apiary_id;
UPDATE hives h SET moved_on = t.last FROM (SELECT hive_id, MAX(treated_on) AS last FROM treatments GROUP BY hive_id) t WHERE h.hive_id = t.hive_id;
UPDATE apiaries a SET keeper_id = 3 FROM hives h WHERE h.apiary_id = a.apiary_id AND h.frame_count > 20;
