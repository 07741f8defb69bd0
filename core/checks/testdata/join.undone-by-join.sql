-- dialect: postgres
-- checks: join.undone-by-join
SELECT h.name, k.name AS keeper FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id JOIN keepers k ON (i.keeper_id) = k.keeper_id; -- want "join.undone-by-join"
select h.name, i.mites, k.name as keeper
from hives h
  left outer join inspections i on i.hive_id = h.hive_id
  join apiaries a on a.apiary_id = h.apiary_id
  inner join keepers k on k.keeper_id = i.keeper_id and k.village = 'Oakham'; -- want "join.undone-by-join"
SELECT h.name, x.n, k.name AS keeper FROM hives h LEFT JOIN (SELECT hive_id, MIN(keeper_id) AS n FROM inspections GROUP BY hive_id) x ON x.hive_id = h.hive_id JOIN keepers k ON k.keeper_id BETWEEN x.n AND x.n + 3; -- want "join.undone-by-join"
SELECT h.name, k.name AS keeper FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id LEFT JOIN keepers k ON k.keeper_id = i.keeper_id;
SELECT h.name, k.name AS keeper FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id JOIN keepers k ON k.keeper_id = COALESCE(i.keeper_id, h.keeper_id);
SELECT h.name, k.name AS keeper FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id JOIN keepers k ON k.keeper_id = i.keeper_id AND i.hive_id IS NOT NULL;
SELECT h.name, k.name AS keeper FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id JOIN keepers k ON k.keeper_id = i.keeper_id WHERE i.mites > 3;
SELECT h.name, k.name AS keeper FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id JOIN keepers k ON k.keeper_id IS NOT DISTINCT FROM i.keeper_id;
SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM inspections i LEFT JOIN keepers k ON k.keeper_id = i.keeper_id JOIN keepers m ON m.keeper_id = k.mentor_id WHERE i.hive_id = h.hive_id);
