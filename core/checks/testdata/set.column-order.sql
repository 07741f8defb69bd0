-- dialect: postgres
-- checks: set.column-order
SELECT h.hive_id, h.name AS title, h.apiary_id, h.keeper_id FROM hives h UNION SELECT a.apiary_id, a.name, a.keeper_id, a.apiary_id FROM apiaries a; -- want "set.column-order"
SELECT 1 AS n, name, village FROM keepers EXCEPT SELECT 1, buyers.village, (buyers.name) AS name FROM buyers; -- want "set.column-order"
SELECT h.name, h.frame_count FROM hives h UNION SELECT q.name, q.bred_in FROM queens q;
SELECT a.name AS a, b.name AS b FROM keepers a JOIN keepers b ON b.mentor_id = a.keeper_id UNION SELECT b.name AS a, a.name AS b FROM keepers a JOIN keepers b ON b.mentor_id = a.keeper_id;
