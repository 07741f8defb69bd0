-- dialect: postgres, possible
-- checks: write.subquery-erases
UPDATE hives SET moved_on = (SELECT MAX(t.treated_on) FROM treatments t WHERE t.hive_id = hives.hive_id AND t.substance = 'oxalic'), frame_count = 8; -- want "write.subquery-erases"
update hives as h set queen_id = (select q.queen_id from queens q where q.mother_id = h.queen_id limit 1); -- want "write.subquery-erases"
UPDATE hives SET moved_on = (SELECT MAX(t.treated_on) FROM treatments t);
UPDATE hives SET moved_on = (SELECT MAX(t.treated_on) FROM treatments t WHERE t.hive_id = hives.hive_id) WHERE hive_id IN (SELECT hive_id FROM treatments);
UPDATE hives SET frame_count = (SELECT COUNT(*) FROM treatments t WHERE t.hive_id = hives.hive_id);
UPDATE hives SET keeper_id = (SELECT a.keeper_id FROM apiaries a WHERE hives.apiary_id = a.apiary_id);
