-- Statements that PostgreSQL reads, one a line.
SELECT DISTINCT ON (yard, kind) name, weight FROM hives ORDER BY yard, kind, weight DESC NULLS LAST
SELECT * FROM hives h LEFT JOIN LATERAL (SELECT max(weight) FROM harvests WHERE hive_id = h.hive_id) m(kilos) ON true
SELECT FROM hives
SELECT
TABLE hives
TABLE ONLY hives ORDER BY name LIMIT ALL OFFSET 3
SELECT name FROM hives * WHERE weight > 1
SELECT (h).name, (h.place).*, (ARRAY[1, 2, 3])[2:], ('{1,2}'::int[])[1] FROM hives h
SELECT date '2026-01-01', interval '1' year, interval '1-2' year to month, timestamp with time zone '2026-01-01 00:00+00', time(3) '10:00', float8 '1.5', pg_catalog.int4 '7'
SELECT U&'d\0061t\+000061', U&'!0061' UESCAPE '!', E'\x41\n', B'101', X'1F', $tag$it's$tag$, $$a$$
SELECT a OPERATOR(pg_catalog.+) b, @ -5, |/ 9, 5 !~ 'x', '(1,2)'::point <-> '(3,4)', a @> b, a ->> 'k', a #>> '{x}', a ?| b, a <@ b, x ~* 'y', p ~~ q FROM t
SELECT name COLLATE "C", weight AT TIME ZONE 'UTC', x IS NOT DISTINCT FROM y, x IS DOCUMENT, x IS NFC NORMALIZED, x NOTNULL, x ISNULL, x BETWEEN SYMMETRIC 2 AND 1 FROM t
SELECT name LIKE 'a!_%' ESCAPE '!', name ILIKE ANY (ARRAY['a', 'b']), name SIMILAR TO 'x|y', weight > ALL (SELECT 1), (a, b) = (1, 2), (a, b) IN ((1, 2), (3, 4)), ROW(a, b) < ROW(1, 2), (a, b) OVERLAPS (c, d) FROM t
SELECT CAST(a AS numeric(10, 2)), a::varchar(3)[], a::int[3][4], a::timestamp(3) without time zone, a::double precision, a::bit varying(3) FROM t
SELECT extract(epoch FROM x), position('a' IN b), substring(a FROM 2 FOR 3), substring(a SIMILAR 'x' ESCAPE '#'), overlay(a PLACING 'b' FROM 1), trim(BOTH 'x' FROM a), trim(FROM a), normalize(a, NFC), xmlelement(name hive, xmlattributes(a AS id), b), coalesce(a, b) FROM t
SELECT count(*) FILTER (WHERE x > 1), string_agg(DISTINCT a, ',' ORDER BY a), percentile_cont(0.5) WITHIN GROUP (ORDER BY x), array_agg(ALL x), f(VARIADIC ARRAY[1, 2]), f(a => 1, b := 2) FROM t
SELECT rank() OVER (PARTITION BY a ORDER BY b USING > RANGE BETWEEN UNBOUNDED PRECEDING AND '1 day' FOLLOWING EXCLUDE TIES), lag(x) OVER w FROM t WINDOW w AS (ORDER BY y), v AS (w GROUPS 2 PRECEDING)
SELECT yard, kind, sum(weight) FROM hives GROUP BY GROUPING SETS ((yard), ROLLUP (kind, yard), CUBE (a, b), ()) HAVING sum(weight) > 3
SELECT yard, sum(weight) FROM hives GROUP BY DISTINCT yard, ROLLUP (kind)
SELECT a FROM t UNION ALL (SELECT b FROM u ORDER BY b LIMIT 1) EXCEPT SELECT c FROM v INTERSECT ALL VALUES (1), (2) ORDER BY 1
SELECT a FROM t ORDER BY a FETCH FIRST 5 ROWS ONLY FOR NO KEY UPDATE OF t SKIP LOCKED FOR SHARE NOWAIT
SELECT * FROM a NATURAL LEFT JOIN b CROSS JOIN c JOIN d USING (x, y) AS j FULL OUTER JOIN (e JOIN f ON e.i = f.i) ON true
SELECT * FROM ROWS FROM (generate_series(1, 3), json_to_record('{}') AS (a int, b text)) WITH ORDINALITY AS r(n, a, b, i)
SELECT * FROM f(1) AS t(a int, b text), unnest(ARRAY[1], ARRAY[2]) WITH ORDINALITY, XMLTABLE('/x' PASSING d COLUMNS n int PATH '@n', i FOR ORDINALITY)
SELECT * FROM hives TABLESAMPLE BERNOULLI (10) REPEATABLE (7)
WITH RECURSIVE t(n) AS MATERIALIZED (SELECT 1 UNION SELECT n + 1 FROM t WHERE n < 5) SEARCH DEPTH FIRST BY n SET o CYCLE n SET c TO true DEFAULT false USING p SELECT * FROM t
WITH gone AS (DELETE FROM hives WHERE weight = 0 RETURNING *) INSERT INTO old_hives SELECT * FROM gone
INSERT INTO hives AS h (name, place.yard, tags[1]) OVERRIDING SYSTEM VALUE VALUES ('a', DEFAULT, 'x') ON CONFLICT (lower(name) COLLATE "C" text_ops) WHERE weight > 0 DO UPDATE SET (name, weight) = (excluded.name, 1) WHERE h.weight < 5 RETURNING hive_id AS id, *
INSERT INTO hives DEFAULT VALUES ON CONFLICT ON CONSTRAINT hives_pkey DO NOTHING
UPDATE ONLY hives AS h SET name = q.name, (a, b) = ROW(1, 2), c[2] = 5, (d, e) = (SELECT 1, 2) FROM queens q LEFT JOIN keepers k USING (keeper_id) WHERE h.queen_id = q.queen_id RETURNING h.*
UPDATE hives SET name = 'a' WHERE CURRENT OF c
DELETE FROM hives h USING queens q, keepers WHERE h.queen_id = q.queen_id RETURNING 1
MERGE INTO hives h USING (SELECT * FROM news) n ON h.hive_id = n.hive_id WHEN MATCHED AND n.gone THEN DELETE WHEN MATCHED THEN UPDATE SET name = n.name WHEN NOT MATCHED AND n.x THEN DO NOTHING WHEN NOT MATCHED THEN INSERT (name) VALUES (n.name)
CREATE TABLE hives (hive_id bigint GENERATED ALWAYS AS IDENTITY (START WITH 10 INCREMENT BY 2), name text COLLATE "C" NOT NULL UNIQUE NULLS NOT DISTINCT DEFAULT 'x' || 'y', weight numeric(8, 2) CONSTRAINT positive CHECK (weight > 0) NO INHERIT, twice numeric GENERATED ALWAYS AS (weight * 2) STORED, queen_id int REFERENCES queens (queen_id) MATCH FULL ON DELETE SET NULL (queen_id) ON UPDATE CASCADE DEFERRABLE INITIALLY DEFERRED, CONSTRAINT pk PRIMARY KEY (hive_id) INCLUDE (name) USING INDEX TABLESPACE fast, EXCLUDE USING gist (stay WITH &&, hive_id WITH =) WHERE (weight > 0), LIKE queens INCLUDING ALL EXCLUDING INDEXES) INHERITS (things) PARTITION BY RANGE (lower(name) COLLATE "C", weight) WITH (fillfactor = 70) TABLESPACE fast
CREATE TABLE hives_2026 PARTITION OF hives (name WITH OPTIONS DEFAULT 'x') FOR VALUES FROM ('2026-01-01', MINVALUE) TO ('2027-01-01', MAXVALUE)
CREATE TABLE hives_rest PARTITION OF hives DEFAULT
CREATE TEMP TABLE heavy ON COMMIT DROP AS SELECT * FROM hives WITH NO DATA
CREATE UNLOGGED TABLE IF NOT EXISTS h (a) AS EXECUTE q
CREATE UNIQUE INDEX CONCURRENTLY IF NOT EXISTS by_name ON ONLY hives USING btree (lower(name) COLLATE "C" text_pattern_ops DESC NULLS FIRST, (a + b)) INCLUDE (weight) NULLS NOT DISTINCT WITH (fillfactor = 70) WHERE weight > 0
CREATE RECURSIVE VIEW v (n) AS SELECT 1 UNION ALL SELECT n + 1 FROM v
CREATE OR REPLACE TEMP VIEW v WITH (security_barrier) AS SELECT 1 AS a WITH LOCAL CHECK OPTION
CREATE MATERIALIZED VIEW IF NOT EXISTS v AS SELECT 1 AS a WITH NO DATA
CREATE TYPE mood AS ENUM ('calm', 'angry')
CREATE TYPE place AS (yard text, spot int)
CREATE DOMAIN kilos AS numeric NOT NULL CHECK (VALUE > 0)
CREATE SEQUENCE hive_ids AS bigint START 10 INCREMENT BY 5 NO CYCLE OWNED BY hives.hive_id
CREATE FUNCTION twice(x int DEFAULT 1, OUT y int) RETURNS int LANGUAGE sql IMMUTABLE STRICT PARALLEL SAFE AS $$ SELECT x * 2 $$
CREATE FUNCTION once(x int) RETURNS TABLE (a int, b text) RETURN x
CREATE PROCEDURE go_on(INOUT a int) LANGUAGE plpgsql AS $$ BEGIN a := 1; END $$
CREATE TRIGGER t BEFORE INSERT OR UPDATE OF name, weight ON hives REFERENCING NEW TABLE AS n FOR EACH STATEMENT WHEN (pg_trigger_depth() = 0) EXECUTE PROCEDURE f('a')
CREATE RULE r AS ON UPDATE TO hives WHERE OLD.name <> NEW.name DO ALSO (INSERT INTO log VALUES (1); NOTIFY hives)
CREATE POLICY p ON hives FOR SELECT TO keeper USING (yard = current_user) WITH CHECK (true)
CREATE STATISTICS s (ndistinct) ON a, b FROM hives
ALTER TABLE IF EXISTS ONLY hives ADD COLUMN IF NOT EXISTS a int DEFAULT 1, DROP COLUMN b CASCADE, ALTER COLUMN c TYPE text USING c::text, ALTER d SET NOT NULL, ADD CONSTRAINT k UNIQUE USING INDEX i, VALIDATE CONSTRAINT x, ENABLE ROW LEVEL SECURITY, SET (fillfactor = 70)
ALTER TABLE hives RENAME COLUMN name TO label
ALTER TABLE hives ATTACH PARTITION p FOR VALUES WITH (MODULUS 4, REMAINDER 0)
ALTER TYPE mood ADD VALUE IF NOT EXISTS 'wild' AFTER 'calm'
COMMENT ON COLUMN hives.name IS 'label'
GRANT SELECT (name), UPDATE ON TABLE hives TO keeper WITH GRANT OPTION
EXPLAIN (ANALYZE, BUFFERS, FORMAT json) SELECT 1
EXPLAIN ANALYZE VERBOSE UPDATE hives SET name = 'a'
PREPARE q (int, text) AS SELECT name FROM hives WHERE hive_id = $1
EXECUTE q (1, 'a')
DECLARE c SCROLL CURSOR WITH HOLD FOR SELECT name FROM hives
FETCH FORWARD 5 FROM c
COPY (SELECT name FROM hives) TO STDOUT WITH (FORMAT csv, HEADER)
VACUUM (FULL, ANALYZE) hives (name)
LOCK TABLE ONLY hives IN SHARE ROW EXCLUSIVE MODE NOWAIT
DO LANGUAGE plpgsql $$ BEGIN PERFORM 1; END $$
SET LOCAL search_path TO bees, public
SET TIME ZONE INTERVAL '+02:00' HOUR TO MINUTE
BEGIN ISOLATION LEVEL SERIALIZABLE, READ ONLY, DEFERRABLE
SELECT (((SELECT 1) + 2)), ((((SELECT 1)) + 2)), (((SELECT 1) UNION (SELECT 1)))
SELECT char(20) 'x', time(3) '10:00', time(3) with time zone '10:00', timestamp(2) '2026-01-01', bit(3) '101', numeric(8, 2) '1.5', varchar(3) 'abc', pg_catalog.int4 '7', interval(0) '1 day', float(3) '1'
explain (costs off) select 1
fetch all from c
VALUES (1)
TABLE hives
(SELECT 1) UNION (SELECT 2)
SHOW search_path
reset all
set search_path = a, "$user", public
set statement_timeout to '5s'
set x.y = 'z'
SET client_encoding = UTF8
ALTER DATABASE d SET x TO 'y'
CREATE USER u WITH PASSWORD 'x' CREATEDB
GRANT a TO b
GRANT ALL ON SCHEMA public TO PUBLIC
GRANT USAGE ON SCHEMA a, b TO c WITH GRANT OPTION
REVOKE ALL ON FUNCTION f(integer, text) FROM PUBLIC
CREATE TABLE t (id serial primary key, x int[] default '{}', y text check (y <> ''), created timestamptz not null default now())
CREATE INDEX ON t USING gin (to_tsvector('english', y))
CREATE INDEX i ON t ((lower(y)))
ALTER TABLE t ADD c int, ADD CONSTRAINT k UNIQUE (x, y)
ALTER TABLE ONLY t ALTER COLUMN x SET DEFAULT nextval('s'::regclass)
CREATE TRIGGER tr BEFORE INSERT OR UPDATE ON t FOR EACH ROW EXECUTE PROCEDURE f()
COMMENT ON FUNCTION f(a integer, b text) IS 'x'
CREATE VIEW v AS SELECT 1 AS x WITH CHECK OPTION
CREATE TABLE p PARTITION OF t FOR VALUES IN ('a')
CREATE MATERIALIZED VIEW m AS SELECT 1 AS x WITH NO DATA
CREATE TABLE c AS SELECT 1 AS x
VACUUM ANALYZE t
LOCK TABLE t IN ACCESS EXCLUSIVE MODE
CLUSTER t USING i
SELECT pg_catalog.set_config('search_path', '', false)
CREATE EXTENSION IF NOT EXISTS plpgsql WITH SCHEMA pg_catalog
CREATE SEQUENCE s START WITH 1 INCREMENT BY 1 NO MINVALUE NO MAXVALUE CACHE 1
ALTER SEQUENCE s OWNED BY t.id
CREATE TYPE mood AS ENUM ('a', 'b')
CREATE DOMAIN d AS text CHECK (VALUE ~ '^a')
CREATE AGGREGATE agg (text) (sfunc = f, stype = text)
CREATE OPERATOR === (leftarg = int, rightarg = int, procedure = f)
CREATE CAST (a AS b) WITH FUNCTION f(a) AS IMPLICIT
CREATE FUNCTION f(IN a int, b text = 'x', VARIADIC c int[]) RETURNS SETOF t AS 'select 1' LANGUAGE 'sql' VOLATILE COST 100
CREATE FUNCTION g(t.x%TYPE) RETURNS t.y%TYPE LANGUAGE c AS 'a', 'b'
DROP TABLE IF EXISTS a, b CASCADE
DROP FUNCTION IF EXISTS f(int, text), g
BEGIN ISOLATION LEVEL SERIALIZABLE, READ ONLY
COMMIT AND CHAIN
NOTIFY x, 'y'
PREPARE q AS SELECT 1
EXECUTE q(1, 'a')
DECLARE c CURSOR FOR SELECT 1
CLOSE c
TRUNCATE a, b RESTART IDENTITY CASCADE
REINDEX TABLE t
ALTER TYPE mood ADD VALUE 'c' AFTER 'b'
ALTER DEFAULT PRIVILEGES IN SCHEMA a GRANT SELECT ON TABLES TO b
IMPORT FOREIGN SCHEMA s FROM SERVER x INTO y
CREATE RULE r AS ON INSERT TO t DO INSTEAD NOTHING
CREATE POLICY p ON t FOR SELECT TO PUBLIC USING (x = 1)
CREATE EVENT TRIGGER e ON ddl_command_start EXECUTE FUNCTION f()
SECURITY LABEL ON TABLE t IS 'x'
ALTER FUNCTION f(int) OWNER TO a
ALTER TABLE t RENAME TO u
ALTER INDEX i RENAME TO j
ALTER VIEW v RENAME TO w
ALTER USER a SET x = 'y'
SET SESSION AUTHORIZATION 'a'
SET ROLE a
SET TIME ZONE 'UTC'
SET LOCAL lock_timeout = 5000
DISCARD ALL
CHECKPOINT
LOAD 'x'
