-- dialect: postgres
-- A recursive expression knows its columns from the first branch; a function in FROM from the list behind it.
WITH RECURSIVE line AS (SELECT keeper_id, name FROM keepers WHERE mentor_id IS NULL UNION ALL SELECT k.keeper_id, k.name FROM keepers k JOIN line ON line.keeper_id = k.mentor_id) SELECT line.name FROM line;
WITH RECURSIVE line AS (SELECT keeper_id, name FROM keepers UNION ALL SELECT k.keeper_id, name FROM keepers k JOIN line ON line.keeper_id = k.mentor_id) SELECT line.name FROM line; -- want "name.ambiguous-column"
WITH RECURSIVE line AS (SELECT keeper_id AS k FROM keepers UNION ALL SELECT line.keeper_id FROM line) SELECT k FROM line; -- want "name.unknown-column"
WITH RECURSIVE line AS (SELECT keeper_id AS k FROM keepers UNION ALL SELECT keeper_id FROM line) SELECT k FROM line; -- want "name.unknown-column"
WITH RECURSIVE steps AS ((SELECT 1 AS n UNION SELECT 2) UNION ALL SELECT n + 1 FROM steps WHERE n < 5) SELECT n FROM steps;
WITH RECURSIVE steps AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM stairs WHERE n < 3) SELECT n FROM steps; -- want "name.unknown-table"
WITH RECURSIVE a AS (SELECT n FROM b), b AS (SELECT 1 AS n) SELECT n FROM a;
SELECT l.letter, l.n FROM unnest(ARRAY['a']) WITH ORDINALITY AS l (letter, n);
SELECT l.nope FROM unnest(ARRAY['a']) WITH ORDINALITY AS l (letter, n); -- want "name.unknown-column"
SELECT l.letter, l.ordinality FROM unnest(ARRAY['a']) WITH ORDINALITY AS l (letter);
SELECT x.a, x.b FROM jsonb_to_recordset('[]') AS x (a integer, b text);
SELECT x.nope FROM jsonb_to_recordset('[]') AS x (a integer, b text); -- want "name.unknown-column"
SELECT n.i FROM generate_series(1, 3) AS n (i);
SELECT n.k FROM generate_series(1, 3) AS n (i); -- want "name.unknown-column"
SELECT e.key, e.v FROM jsonb_each('{}') AS e (key, v);
SELECT u.hive_id FROM unnest((SELECT array_agg(h) FROM hives h)) AS u;
SELECT t.n FROM xmltable('/r' PASSING xml '<r n="1"/>' COLUMNS n integer PATH '@n', i FOR ORDINALITY) AS t;
SELECT t.m FROM xmltable('/r' PASSING xml '<r n="1"/>' COLUMNS n integer PATH '@n', i FOR ORDINALITY) AS t; -- want "name.unknown-column"
SELECT h.name FROM hives h WHERE public.hives.frame_count > 8; -- want "name.unknown-alias"
SELECT h.name FROM hives h WHERE h.name ('Ash', 'Elm'); -- want "name.unknown-function"
CREATE TABLE swarms (swarm_id integer PRIMARY KEY, hive_id integer REFERENCES hives (hive_id), before_id integer REFERENCES swarms);
CREATE TABLE swarms_2 (hive_id integer REFERENCES hive (hive_id)); -- want "name.unknown-table"
CREATE TABLE swarms_3 (hive_id integer REFERENCES hives (hiveid)); -- want "name.unknown-column"
ALTER TABLE sales ADD CONSTRAINT by_hive FOREIGN KEY (harvest_id) REFERENCES harvest (harvest_id); -- want "name.unknown-table"
WITH m AS (SELECT q.queen_id, q.colour FROM queens q) SELECT h.hive_id, COUNT(*) AS n FROM hives h LEFT JOIN m ON m.colour = h.name GROUP BY h.hive_id; -- want "group.count-outer-join"
WITH m AS (SELECT i.hive_id FROM inspections i) SELECT h.hive_id, COUNT(*) AS n FROM hives h LEFT JOIN m ON m.hive_id = h.hive_id GROUP BY h.hive_id; -- want "group.count-outer-join"
WITH m AS (SELECT i.hive_id, MAX(i.mites) AS mites FROM inspections i GROUP BY i.hive_id) SELECT h.name, COUNT(m.hive_id) AS n FROM hives h LEFT JOIN m ON m.hive_id = h.hive_id GROUP BY h.name;
SELECT EXTRACT(MONTH FROM g.taken_on) AS m, COUNT(*) AS n FROM harvests g WHERE g.taken_on >= DATE '2025-03-01' AND g.taken_on < DATE '2026-05-01' GROUP BY EXTRACT(MONTH FROM g.taken_on); -- want "group.month-without-year"
SELECT EXTRACT(MONTH FROM g.taken_on) AS m, COUNT(*) AS n FROM harvests g WHERE g.taken_on BETWEEN DATE '2025-01-01' AND DATE '2026-12-31' GROUP BY EXTRACT(MONTH FROM g.taken_on); -- want "group.month-without-year"
SELECT EXTRACT(MONTH FROM g.taken_on) AS m, COUNT(*) AS n FROM harvests g WHERE g.taken_on >= DATE '2026-01-01' AND DATE '2027-01-01' > g.taken_on GROUP BY EXTRACT(MONTH FROM g.taken_on);
SELECT EXTRACT(MONTH FROM g.taken_on) AS m, COUNT(*) AS n FROM harvests g WHERE g.taken_on >= DATE '2025-01-01' AND g.taken_on < DATE '2027-01-01' AND g.taken_on::text LIKE '2026%' GROUP BY EXTRACT(MONTH FROM g.taken_on);
