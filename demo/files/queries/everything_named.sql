-- All names of the cooperative, for the label printer.
SELECT 'hive' AS kind, h.hive_id AS id, h.name FROM hives AS h
UNION
SELECT 'queen' AS kind, q.queen_id AS id, q.name FROM queens AS q;

-- What was taken in two halves of the season: the day in the middle is in both.
SELECT g.hive_id, g.taken_on, g.weight_kg FROM harvests AS g WHERE g.taken_on <= '2026-07-15'
UNION ALL
SELECT g.hive_id, g.taken_on, g.weight_kg FROM harvests AS g WHERE g.taken_on >= '2026-07-15';

-- Fine: neither half has the day of the other.
SELECT g.hive_id, g.weight_kg FROM harvests AS g WHERE g.taken_on < '2026-07-15'
UNION ALL
SELECT g.hive_id, g.weight_kg FROM harvests AS g WHERE g.taken_on >= '2026-07-15';
