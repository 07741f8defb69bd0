-- dialect: postgres
-- checks: name.unknown-function, name.duplicate-output, name.unknown-column, name.unknown-table, name.case-folding, definition.already-there, definition.column-twice, write.column-twice, type.literal, logic.chained-comparison, type.operands, write.value-count, syntax.joined-signs
CREATE TABLE swarm_a ("abc" int, "ABC" int, "Abc" text, PRIMARY KEY ("abc", "ABC"), UNIQUE ("ABC", "Abc"));
INSERT INTO swarm_a ("abc", "ABC", "Abc") VALUES (1, 2, 'x');
UPDATE swarm_a SET "abc" = 1, "ABC" = 2;
SELECT "abc" + "ABC" AS x FROM swarm_a WHERE "abc" = "ABC" AND "Abc" = 'x';
WITH "C" AS (SELECT 1 AS a), "c" AS (SELECT 2 AS a) SELECT "c".a, "C".a FROM "c", "C";
CREATE VIEW swarm_b ("abc", "ABC") AS SELECT 1, 2;
CREATE TABLE "SWARM_A" (a int); SELECT s."Abc" FROM swarm_a AS s;
ALTER TABLE swarm_a ADD COLUMN "aBC" int;
-- silent: what fields, operators of extensions and functions bring, and what another database has
CREATE TABLE swarm_c (swarm_id int, rast int); SELECT swarm_id, (bands_of(rast)).* FROM swarm_c ORDER BY 1, band;
SELECT NULL FROM wax.add_column('swarm_c', 'wax', 'text'); INSERT INTO swarm_c (swarm_id, wax) VALUES (1, 'x');
SELECT h.name FROM swarm_c AS h WHERE h.frame_count <-> 3 < 0.5 AND h.frame_count ~++ 4 OR h.name !@ h.name;
CREATE TABLE swarm_d (a int);
\c other
CREATE TABLE swarm_d (a int, b int); INSERT INTO swarm_d (b) VALUES (1);
\connect third
SELECT c FROM swarm_d;
SET search_path = south, pg_catalog;
CREATE TABLE swarm_e (code text);
SET search_path = north, pg_catalog;
CREATE TABLE swarm_e (swarm_id int); SELECT swarm_id FROM swarm_e;
SET search_path = south;
SELECT code FROM swarm_e; SELECT swarm_id FROM swarm_e; -- want "name.unknown-column"
SELECT substrin(name, 2) AS a, substrin(name, 3) AS b, substrin(name, 4) AS c FROM swarm_c;
CREATE TABLE east.swarm_f (id serial); CREATE TABLE west.swarm_f (id serial); SELECT NULL FROM wax.add_column('west', 'swarm_f', 'wax'); INSERT INTO west.swarm_f (wax) VALUES (1);
CREATE FOREIGN TABLE swarm_g (kg numeric(6, 2)) SERVER old; DROP FOREIGN TABLE swarm_g; CREATE FOREIGN TABLE swarm_g (kg numeric(6, 4)) SERVER old;
SELECT !'heavy'::swarm_query & 'light';
