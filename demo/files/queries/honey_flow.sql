-- Weight of each harvest beside the running total of its hive.
SELECT g.hive_id,
       g.taken_on,
       g.weight_kg,
       SUM(g.weight_kg) OVER (PARTITION BY g.hive_id
                              ORDER BY g.taken_on, g.harvest_id
                              ROWS UNBOUNDED PRECEDING) AS total_kg
FROM harvests AS g
ORDER BY g.hive_id, g.taken_on, g.harvest_id;
