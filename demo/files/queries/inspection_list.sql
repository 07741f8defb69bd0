-- Everything about the last round, for the notice board.
SELECT hive_id,
       h.name      AS hive,
       k.name      AS keeper,
       i.inspected_at,
       i.temper
FROM hives AS h
JOIN inspections AS i ON i.hive_id = h.hive_id
JOIN keepers AS k ON k.keeper_id = i.keeper_id
WHERE i.inspected_at >= '2026-05-01'
ORDER BY i.inspected_at, hive;
