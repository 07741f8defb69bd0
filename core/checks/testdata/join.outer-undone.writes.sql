-- dialect: mysql
-- checks: join.outer-undone
UPDATE hives AS h LEFT JOIN queens AS q ON q.queen_id = h.queen_id SET h.frame_count = 3 WHERE q.colour = 'red'; -- want "join.outer-undone"
DELETE s FROM sales AS s LEFT JOIN harvests AS g USING (harvest_id) WHERE g.weight_kg > 3 AND s.jars > 2; -- want "join.outer-undone"
DELETE s FROM sales AS s LEFT JOIN harvests AS g USING (harvest_id) WHERE g.harvest_id IS NULL;
DELETE s FROM sales AS s LEFT JOIN harvests AS g USING (harvest_id) WHERE s.jars > 2;
UPDATE hives AS h LEFT JOIN queens AS q ON q.queen_id = h.queen_id SET h.frame_count = 3 WHERE q.colour = 'red' OR q.queen_id IS NULL;
