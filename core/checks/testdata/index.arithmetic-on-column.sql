-- dialect: postgres, possible
-- checks: index.arithmetic-on-column
SELECT name FROM hives h WHERE 10 < (h.frame_count - 2); -- want "index.arithmetic-on-column"
SELECT g.hive_id FROM harvests g WHERE NOT g.weight_kg / 2 = 3.5 AND 100 - g.harvest_id >= 3; -- want "index.arithmetic-on-column" "index.arithmetic-on-column"
SELECT name FROM hives WHERE hive_id + $1 = 5 OR hive_id + frame_count = 5 OR frame_count = hive_id + 1;
SELECT x.n FROM (SELECT frame_count * 2 AS n FROM hives) AS x WHERE x.n + 1 = 5;
SELECT COUNT(*) FROM hives HAVING COUNT(*) + 1 > 3;
CREATE TABLE combs (comb_id integer PRIMARY KEY, wax integer); CREATE INDEX combs_by_wax ON combs ((wax * 2)); SELECT comb_id FROM combs WHERE wax * 2 = 10;
