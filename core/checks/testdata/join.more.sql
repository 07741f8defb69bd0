-- dialect: mariadb
-- checks: join.unconnected, join.self-condition, join.outer-undone, join.preserved-filter, join.wrong-key, join.distinct-hides, join.unused
-- Through quoted names, other letter case, comments, parentheses, derived tables and queries of WITH.
SELECT H.name FROM `hives` H, /* all */ `apiaries` A WHERE (H.frame_count > 8); -- want "join.unconnected"
SELECT h.name FROM (SELECT hive_id, name FROM hives) h, (SELECT hive_id, mites FROM inspections) i WHERE i.mites > 3; -- want "join.unconnected"
WITH i AS (SELECT hive_id, mites FROM inspections) SELECT h.name FROM hives h, i WHERE h.HIVE_ID = I.hive_id;
SELECT h.name FROM hives h, apiaries a, keepers k WHERE a.keeper_id = k.keeper_id AND (h.apiary_id = a.apiary_id);
SELECT h.name FROM hives h, apiaries a WHERE h.apiary_id <=> a.apiary_id;
SELECT h.name FROM hives h, apiaries a WHERE (h.apiary_id, 1) IN (SELECT x.apiary_id, 1 FROM apiaries x WHERE x.apiary_id = a.apiary_id);
SELECT h.name
FROM hives h
LEFT /* keep all */ OUTER JOIN inspections i ON i.hive_id = h.hive_id
WHERE ((I.MITES) > 5); -- want "join.outer-undone"
SELECT h.name FROM hives h LEFT JOIN (SELECT hive_id, MAX(mites) AS most FROM inspections GROUP BY hive_id) m ON m.hive_id = h.hive_id WHERE NOT m.most > 5; -- want "join.outer-undone"
SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE NOT (i.mites > 5 AND h.frame_count > 3);
SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE IFNULL(i.mites, 0) > 5;
SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.mites <=> 5 OR i.mites IS NULL;
SELECT h.name FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id LEFT JOIN queens m ON m.queen_id = q.mother_id WHERE m.name = 'Ada'; -- want "join.outer-undone"
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON (i.hive_id = h.hive_id AND 8 < h.frame_count);
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND 8 < h.frame_count; -- want "join.preserved-filter"
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND H.NAME NOT LIKE 'A%'; -- want "join.preserved-filter"
SELECT q.name, h.name AS hive FROM queens q LEFT JOIN hives h ON h.queen_id = q.queen_id LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id AND h.frame_count > 8; -- want "join.unused"
SELECT h.name FROM hives h JOIN apiaries a ON (a.apiary_id) = (h.hive_id); -- want "join.wrong-key"
SELECT h.name FROM hives h WHERE h.hive_id IN (SELECT a.apiary_id FROM apiaries a WHERE `a`.`apiary_id` = h.HIVE_ID); -- want "join.wrong-key"
SELECT h.name FROM hives h JOIN harvests g ON (g.weight_kg) > 20 AND NOT g.moisture > 18; -- want "join.self-condition"
SELECT h.name FROM hives h JOIN harvests g ON g.weight_kg > 20 WHERE (h.hive_id) = g.hive_id;
SELECT h.name FROM hives h JOIN (hives o JOIN harvests g ON g.hive_id = o.hive_id) ON o.hive_id = h.hive_id;
SELECT DISTINCT /* once */ h.hive_id FROM hives h INNER JOIN harvests g ON g.hive_id = h.hive_id WHERE NOT g.weight_kg < 10; -- want "join.distinct-hides"
SELECT DISTINCT h.hive_id FROM hives h JOIN (SELECT hive_id FROM harvests GROUP BY hive_id) g ON g.hive_id = h.hive_id;
SELECT h.name FROM hives h LEFT JOIN queens `Q` ON (q.queen_id = h.queen_id); -- want "join.unused"
SELECT h.name FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id GROUP BY h.name, q.colour;
SELECT h.name FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id LEFT JOIN hives o ON o.queen_id = q.queen_id AND o.frame_count > 3 WHERE o.hive_id IS NULL;
