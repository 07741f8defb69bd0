-- The same, asked for.
SELECT q.queen_id, q.name
FROM queens AS q
WHERE NOT EXISTS (SELECT 1 FROM hives AS h WHERE h.queen_id = q.queen_id);
