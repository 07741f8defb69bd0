-- Queens without a hive, as it was written.
SELECT q.queen_id, q.name
FROM queens AS q
LEFT JOIN hives AS h ON h.queen_id = q.queen_id
WHERE h.hive_id IS NULL;
