-- dialect: postgres
-- checks: name.unknown-alias, name.unknown-column, name.ambiguous-column, clause.alias-in-group-by
SELECT x.queen_id FROM hives JOIN queens USING (queen_id) AS x;
SELECT x.*, hives.frame_count FROM hives JOIN queens USING (queen_id) AS x ORDER BY x.queen_id;
SELECT y.queen_id FROM hives JOIN queens USING (queen_id) AS x; -- want "name.unknown-alias"
INSERT INTO queens (queen_id, name) VALUES (31, 'Ada') ON CONFLICT (queen_id) DO UPDATE SET name = excluded.name WHERE queens.* <> excluded.*;
INSERT INTO queens (queen_id, name) VALUES (31, 'Ada') ON CONFLICT (queen_id) DO UPDATE SET name = left(excluded.*::text, 3) RETURNING *;
SELECT s.name FROM hives AS h, LATERAL (SELECT h.*) AS s;
SELECT s.nmae FROM hives AS h, LATERAL (SELECT h.*) AS s; -- want "name.unknown-column"
SELECT * FROM (SELECT queen_id, bred_in FROM queens) AS a NATURAL JOIN (SELECT * FROM (SELECT queen_id, 1 AS b FROM queens) AS b NATURAL JOIN (SELECT queen_id, 2 AS c FROM queens) AS c) AS d;
SELECT d.queen_id FROM (SELECT * FROM hives JOIN queens USING (queen_id)) AS d;
SELECT name FROM public.hives WHERE EXISTS (SELECT 1 FROM queens AS hives WHERE public.hives.frame_count = 3);
WITH RECURSIVE r AS (SELECT 1 AS x UNION ALL SELECT x + 1 FROM r WHERE NOT is_cycle AND x < 3) CYCLE x SET is_cycle USING path SELECT x FROM r;
WITH RECURSIVE r (x) AS (SELECT 1 UNION ALL SELECT x + 1 FROM r WHERE NOT is_cycle AND x < 3) SELECT x FROM r; -- want "name.unknown-column"
CREATE FUNCTION shout(h hives) RETURNS text LANGUAGE sql AS $$ SELECT upper(h.name) $$; SELECT h.shout, (h).shout FROM hives AS h;
SELECT h.whisper FROM hives AS h; -- want "name.unknown-column"
SELECT EXTRACT(YEAR FROM taken_on) AS y, SUM(weight_kg) FROM harvests GROUP BY ROLLUP (y);
SELECT EXTRACT(YEAR FROM taken_on) AS y, hive_id AS h, SUM(weight_kg) FROM harvests GROUP BY GROUPING SETS ((y, h), (y), ());
SELECT name FROM hives h FOR UPDATE OF hives; -- want "name.unknown-alias"
SELECT name FROM hives FOR UPDATE OF queens; -- want "name.unknown-alias"
SELECT h.name FROM hives h JOIN queens q USING (queen_id) FOR UPDATE OF q, h;
