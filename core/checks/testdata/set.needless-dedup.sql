-- dialect: postgres
-- checks: set.needless-dedup
select 1 as part, h.hive_id, h.name from hives h union select 2, q.queen_id, q.name from queens q union select 3, k.keeper_id, k.name from keepers k; -- want "set.needless-dedup"
SELECT apiary_id AS id, COUNT(*) AS n, 'hives' AS what FROM hives GROUP BY apiary_id UNION SELECT keeper_id, COUNT(*), 'keepers' FROM hives GROUP BY keeper_id; -- want "set.needless-dedup"
SELECT 1 AS part, h.name FROM hives h UNION SELECT 2, q.name FROM queens q;
SELECT 1 AS part, h.hive_id FROM hives h UNION SELECT 2, q.queen_id FROM queens q UNION SELECT 1, k.keeper_id FROM keepers k;
SELECT 'a' AS part, h.hive_id FROM hives h EXCEPT SELECT 'b', q.queen_id FROM queens q;
