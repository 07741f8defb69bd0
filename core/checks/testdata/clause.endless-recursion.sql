-- dialect: sqlserver
-- checks: clause.endless-recursion
WITH c AS (SELECT 1 AS n UNION ALL SELECT c.n + 1 FROM c) SELECT n FROM c; -- want "clause.endless-recursion"
WITH line AS (SELECT queen_id AS id, mother_id FROM queens UNION ALL SELECT q.queen_id, q.mother_id FROM line AS l, queens AS q WHERE q.queen_id = l.id) SELECT id FROM line; -- want "clause.endless-recursion"
WITH line (id, mother) AS (SELECT queen_id, mother_id FROM queens UNION ALL SELECT l.id, q.mother_id FROM line AS l JOIN queens AS q ON q.queen_id = l.id) SELECT id FROM line; -- want "clause.endless-recursion"
WITH c AS (SELECT 1 AS n UNION ALL SELECT c.n + 1 FROM c WHERE c.n < 10) SELECT n FROM c;
WITH c AS (SELECT 1 AS n UNION ALL SELECT c.n + 1 FROM c) SELECT TOP (5) n FROM c;
WITH line (id, mother) AS (SELECT queen_id, mother_id FROM queens UNION ALL SELECT q.queen_id, q.mother_id FROM line AS l JOIN queens AS q ON q.mother_id = l.id) SELECT id FROM line;
WITH line (id, step) AS (SELECT queen_id, 1 FROM queens UNION ALL SELECT q.queen_id, l.step + 1 FROM line AS l JOIN queens AS q ON q.queen_id = l.id AND l.step < 3) SELECT id FROM line;
WITH c AS (SELECT 1 AS n UNION SELECT 2) SELECT n FROM c;
