-- dialect: postgres, possible
-- checks: index.skipped-leading
CREATE TABLE combs (comb_id integer PRIMARY KEY, hive_id integer, wax integer, cells integer);
CREATE INDEX combs_by_hive ON combs (hive_id, wax, cells);
SELECT comb_id FROM combs f WHERE f.cells = 3 AND f.comb_id IS NOT NULL;
SELECT comb_id FROM combs f WHERE f.cells = $1; -- want "index.skipped-leading"
SELECT comb_id FROM combs f WHERE f.cells = 3 OR f.wax = 2;
SELECT comb_id FROM combs f WHERE f.cells = 3 AND f.hive_id > 2;
