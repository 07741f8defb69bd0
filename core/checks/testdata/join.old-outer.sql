-- dialect: oracle
-- checks: join.old-outer
SELECT h.name, i.mites FROM hives h, inspections i WHERE h.hive_id = i.hive_id(+) AND i.mites (+) > 3; -- want "join.old-outer"
SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM queens q, hives o WHERE q.queen_id (+) = o.queen_id AND o.hive_id = h.hive_id); -- want "join.old-outer"
SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON h.hive_id = i.hive_id WHERE h.frame_count > (3);
