-- dialect: postgres
-- checks: join.outer-undone
SELECT h.name, a.name FROM hives h LEFT OUTER JOIN apiaries a ON a.apiary_id = h.apiary_id WHERE a.name LIKE 'Oak%' AND h.frame_count > 3; -- want "join.outer-undone"
select h.name
from hives h
  left join inspections i on i.hive_id = h.hive_id
where i.mites > 5 -- want "join.outer-undone"
  and not i.temper < 3
  and h.frame_count > 8;
SELECT h.name FROM hives h LEFT JOIN (inspections i JOIN keepers k ON k.keeper_id = i.keeper_id) ON i.hive_id = h.hive_id WHERE k.village = 'Oakham'; -- want "join.outer-undone"
SELECT q.name, x.n FROM queens q LEFT JOIN (SELECT queen_id, COUNT(*) AS n FROM hives GROUP BY queen_id) x ON x.queen_id = q.queen_id WHERE x.n > 1 OR x.n = 0; -- want "join.outer-undone"
SELECT frame_count, weight_kg FROM hives LEFT JOIN harvests USING (hive_id) WHERE weight_kg > 20; -- want "join.outer-undone"
SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.inspection_id IS NULL AND h.frame_count > 3;
SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.mites IS DISTINCT FROM 5;
SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND i.mites > 5 WHERE h.frame_count > 3;
SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.mites > 5 OR h.frame_count > 3;
SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE CASE WHEN i.mites > 5 THEN 0 ELSE 1 END = 1;
SELECT hive_id FROM hives LEFT JOIN harvests USING (hive_id) WHERE hive_id > 3;
SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.hive_id IS NOT NULL AND i.mites > 3;
SELECT h.name FROM hives h JOIN inspections i ON i.hive_id = h.hive_id WHERE i.mites > 3;
