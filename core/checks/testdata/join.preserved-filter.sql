-- dialect: postgres
-- checks: join.preserved-filter
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON h.frame_count IN (8, 9) AND i.hive_id = h.hive_id WHERE h.apiary_id = 2; -- want "join.preserved-filter"
SELECT h.name, i.mites FROM inspections i RIGHT JOIN hives h ON i.hive_id = h.hive_id AND h.name LIKE 'A%' AND h.frame_count > 3; -- want "join.preserved-filter"
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND i.keeper_id = 3;
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND h.queen_id IS NOT NULL;
SELECT h.name, i.mites FROM hives h FULL JOIN inspections i ON i.hive_id = h.hive_id AND i.inspection_id = h.hive_id;
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND (i.mites > 3 OR h.frame_count > 8);
SELECT h.name, g.moisture FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id LEFT JOIN harvests g ON g.hive_id = h.hive_id AND i.mites > 3;
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND h.frame_count > 3 WHERE i.mites > 2;
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND h.frame_count > 3 WHERE i.mites IS NULL; -- want "join.preserved-filter"
