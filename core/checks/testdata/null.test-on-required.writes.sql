-- dialect: mysql
-- checks: null.test-on-required
DELETE sales FROM sales LEFT JOIN harvests ON harvests.harvest_id = sales.harvest_id WHERE harvests.harvest_id IS NULL;
DELETE s FROM sales AS s LEFT JOIN harvests AS g USING (harvest_id) WHERE g.hive_id IS NULL;
UPDATE hives AS h LEFT JOIN queens AS q ON q.queen_id = h.queen_id SET h.queen_id = NULL WHERE q.name IS NULL;
UPDATE queens AS q RIGHT JOIN hives AS h ON q.queen_id = h.queen_id SET h.frame_count = COALESCE(q.bred_in, 0) WHERE q.name IS NOT NULL;
UPDATE hives AS h JOIN apiaries AS a ON a.apiary_id = h.apiary_id SET h.frame_count = 0 WHERE a.name IS NULL; -- want "null.test-on-required"
