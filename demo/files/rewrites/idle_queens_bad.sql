-- The same, it seems.
SELECT q.queen_id, q.name
FROM queens AS q
WHERE q.queen_id NOT IN (SELECT h.queen_id FROM hives AS h);
