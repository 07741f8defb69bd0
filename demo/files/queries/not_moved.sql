-- Hives that never moved.
SELECT hive_id, name
FROM hives
WHERE moved_on = NULL;

-- Hives without their queen's colour noted.
SELECT h.name, q.name AS queen
FROM hives AS h
LEFT JOIN queens AS q ON q.queen_id = h.queen_id
WHERE q.colour <> NULL
   OR q.queen_id IS NULL;

-- Bring them all home again.
UPDATE hives
SET moved_on = NULL
WHERE apiary_id = 2;
