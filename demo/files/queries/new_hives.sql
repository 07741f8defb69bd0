-- A new apiary, three nucleus hives for an old one, and a first look at them.
INSERT INTO apiaries (apiary_id, name, altitude_m, keeper_id)
VALUES (7, 'Fern Hollow', 150, 3);

INSERT INTO hives (hive_id, name, apiary_id, keeper_id, queen_id, frame_count, moved_on)
VALUES (25, 'Zinnia', 6, 3, NULL, 5, '2026-06-01'),
       (26, 'Aster', 6, 3, 15, 5, '2026-06-01'),
       (27, 'Bramble', 6, 3, 16, 6, NULL);

SELECT h.name, q.name AS queen
FROM hives AS h
LEFT JOIN queens AS q ON q.queen_id = h.queen_id
WHERE h.apiary_id = 6;
