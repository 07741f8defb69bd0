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
select collation for ('a')
select xmlexists('/a' passing '<a/>')
select xmlexists('/a' passing by ref '<a/>' by ref)
select xmlexists('/a' passing by value '<a/>')
select xmlparse(document '<a/>' preserve whitespace)
select xmlparse(content '<a/>' strip whitespace)
select xmlroot('<a/>'::xml, version no value, standalone yes)
select xmlroot('<a/>'::xml, version '1.0', standalone no value)
select xmlserialize(document '<a/>' as text)
select xmlpi(name php, 'a')
select xmlelement(name a, xmlattributes(1 as b, now() as c), 'd', xmlelement(name e))
select xmlelement(name "A b")
select xmlforest(1 as a, 2 as b)
select xmlconcat('<a/>', '<b/>')
select xmlagg(x order by y) from (select '<a/>'::xml as x, 1 as y) s
select * from xmltable('/a' passing '<a/>' columns b int path 'b' default 3 not null, n for ordinality)
select * from xmltable(xmlnamespaces('http://x' as x, default 'http://y'), '/a' passing '<a/>' columns b int path 'b')
select extract(century from now()), extract('epoch' from now()), extract(hour from interval '1 day')
select overlay('abc' placing 'x' from 2 for 1)
select position('a' in 'b'), substring('abc' from 1 for 2), substring('abc' for 2), substring('abc' for 2 from 1), substring('abc' similar 'a' escape '#')
select trim(both 'a' from 'b'), trim(leading from 'b'), trim('b'), trim(trailing 'a' from 'b'), trim(both from 'a', 'b')
select treat('a' as text)
select normalize('a', nfd), 'a' is normalized, 'a' is nfc normalized, 'a' is not nfkd normalized
select 'a' is document
select 'a'::xml is not document
select 1 is distinct from 2, 1 is not distinct from null
select true is true, null::bool is unknown, true is not false
select 1 isnull, 1 notnull
select (1,2) overlaps (3,4)
select (now(), interval '1 day') overlaps (now(), now())
select array[[1,2],[3,4]], array[]::int[], array(select 1), (array[1,2,3])[2:3], (array[1])[:], (array[1,2])[:2]
select 1 operator(pg_catalog.+) 2, @ -1, |/ 4, ||/ 8, 5 !~ 'a'
select 'a' like 'b' escape '#', 'a' not ilike 'b', 'a' similar to 'b', 'a' not similar to 'b' escape '#'
select 'a' ~~ 'b', 'a' !~~* 'b', 'a' ^@ 'b'
select 'a' = any(array['a']), 1 < all(select 1), 'a' like any(array['b']), 1 = some(array[1])
select 1 between symmetric 3 and 1, 1 not between symmetric 3 and 1
select case when true then 1 end, case 1 when 1 then 2 else 3 end
select cast(1 as int), 1::int::text, int '1', float8 '1', interval '1' day, interval '1-2' year to month, interval(3) '1 second', interval '1 10:00' day to second(3)
select time '10:00', timestamp with time zone '2020-01-01', timestamp(3) without time zone '2020-01-01', bit(3) '101', character varying(3) 'a', national character varying(3) 'a', nchar(2) 'a', double precision '1', dec(3,1) '1', char varying(2) 'a'
select E'a\n', U&'\0061', U&'!0061' uescape '!', B'10', X'1f', N'a', $$a$$, $x$a$x$
select row(1,2), (1,2), row(), row(1,2) = (1,2), (row(1,2)).f1
select grouping(a), a from (select 1 as a) s group by rollup(a)
select a, b, count(*) from (select 1 as a, 2 as b) s group by grouping sets ((a), (b), ()), cube(a, b)
select a from (select 1 as a) s group by distinct rollup(a), cube(a)
select count(*) filter (where true), sum(1) over w, count(distinct 1), string_agg('a', ',' order by 1 desc nulls last), count(all 1) from (select 1) s window w as (partition by 1 order by 1 rows between 1 preceding and current row exclude ties)
select percentile_cont(0.5) within group (order by a), rank(1) within group (order by a) from (select 1 as a) s
select first_value(a) over (order by a range between interval '1 day' preceding and interval '1 day' following) from (select now() as a) s
select sum(a) over (order by a groups between unbounded preceding and 1 following exclude current row) from (select 1 as a) s
select a from (select 1 as a) s order by a using <, a nulls first
select a from (select 1 as a) s order by a fetch first 1 rows with ties
select a from (select 1 as a) s offset 1 row fetch next row only
select a from (select 1 as a) s limit all
select a from (select 1 as a) s limit 1 offset 2 rows
select distinct on (a) a from (select 1 as a) s
select all a from (select 1 as a) s
select from (select 1 as a) s
table pg_class
table only pg_class
values (1, 2), (3, 4) order by 1 limit 1
(select 1) union all (select 2 order by 1 limit 1) intersect all values (2) except select 3
with a as materialized (select 1), b (x) as not materialized (select 2) select * from a, b
with recursive a(n) as (select 1 union all select n + 1 from a where n < 3) search depth first by n set o cycle n set c using p select * from a
with recursive a(n) as (select 1 union all select n + 1 from a where n < 3) cycle n set c to true default false using p select * from a
with recursive a(n) as (select 1 union all select n + 1 from a where n < 3) search breadth first by n set o select * from a
select * from pg_class tablesample system (10) repeatable (1)
select * from only pg_class, only (pg_attribute), pg_type *
select * from pg_class as c (a, b) natural left outer join pg_attribute cross join pg_type
select * from (pg_class c join pg_attribute a on c.oid = a.attrelid) as j limit 0
select * from (values (1), (2)) as v (n) join lateral (select n) as l on true
select * from generate_series(1, 2) with ordinality as g (a, b)
select * from rows from (generate_series(1, 2), unnest(array[1])) with ordinality as g (a, b, c)
select * from rows from (json_to_record('{}') as (a int, b text), generate_series(1, 2)) as g
select * from json_to_record('{}') as (a int, b text)
select * from json_to_record('{}') as x (a int, b text collate "C")
select * from json_to_record('{}') x (a int)
select * from json_to_recordset('[]') as (a int, b int[], c numeric(3,2)), lateral json_to_record('{}') as (d timestamp with time zone) where a = 1
select * from unnest(array[1], array[2]) as u (a, b), unnest(array['a']) v
select * from pg_class for update of pg_class nowait
select * from pg_class for no key update skip locked for share
select 1 as "a b", 2 as select, 3 as from, 4 b, 5 value, 6 name
select a.b.c from (select 1) a
select (a).b from (select 1) a
select (a.x).y, (f()).*, (f()).z from (select 1) a
select a[1], a[1:2], a[1][2], (a).b[1], a.b[1] from (select 1) a
select current_date, current_time(2), localtimestamp, current_schema, current_schema(), user, session_user, current_catalog, current_role
select f(variadic a => array[1])
select 'a' collate "C" < 'b' collate pg_catalog."C"
select now() at time zone 'utc' at time zone 'cet'
select not true and false or true
select -1, +1, - -1, 2 ^ 3, 5 % 2, 1 << 2, 1 # 2, ~1, 1 & 3 | 4
select 1e5, .5, 5., 1.5e-3
select a from (select 1 as a) s where a in (1, 2) and a not in (select 1) and (a, 1) in ((1, 2), (3, 4)) and row(a, 1) in (select 1, 2)
select exists (select), exists (values (1)), exists (table pg_class)
select json_build_object('a', 1) -> 'a' ->> 'b' #> '{a}' #>> '{b}', '{}'::jsonb @> '{}', '{}'::jsonb ? 'a', '{}'::jsonb ?| array['a'], '{}'::jsonb ?& array['a'], '{}'::jsonb @? '$.a', '{}'::jsonb @@ '$.a', '{}'::jsonb - 'a', '{}'::jsonb #- '{a}'
insert into t default values
insert into t as x (a, b[1], c.d) overriding system value values (1, default, 3) on conflict (a) where b > 1 do update set a = excluded.a, (b, c) = (select 1, 2), d[1] = 3 where x.a > 1 returning *, a as b
insert into t (a) overriding user value select 1 on conflict on constraint k do nothing
insert into t values (1) on conflict (lower(a) collate "C" text_ops, (b + 1)) do nothing
update only t as x set a = default, (b, c) = row(1, 2), (d) = (select 1), e[1:2] = '{}', f.g = 1 from u left join v on true where current of c returning x.*
update t * set a = 1
delete from only t as x using u, v where x.a = u.a returning *
delete from t where current of c
merge into t as x using (select 1 as a) s on x.a = s.a when matched and x.b > 1 then update set b = 2, (c, d) = (1, 2) when matched then delete when not matched and s.a > 1 then insert (a) overriding system value values (default) when not matched then do nothing
merge into only t using u on true when not matched then insert default values when matched then do nothing
with x as (insert into t values (1) returning *) select * from x
with x as (delete from t returning *) insert into u select * from x
explain (analyze, buffers off, format json) select 1
explain analyze verbose select 1
select 1 into temp table x
select * into unlogged x from t
create table x as select 1 with no data
create temp table if not exists x (a, b) with (fillfactor = 10) on commit drop tablespace y as table z
create table x as execute p(1)
create materialized view if not exists x using heap as select 1 with data
create recursive view v (n) as select 1
create or replace temp view v with (security_barrier, check_option = local) as select 1 with cascaded check option
declare c insensitive scroll cursor with hold for select 1
declare c binary no scroll cursor without hold for values (1)
fetch forward all from c
move absolute -1 in c
copy t (a) from '/x' with (format csv, header, force_null (a))
copy (select 1) to stdout csv header quote as '"'
copy (delete from t returning *) to program 'cat'
prepare p (int, text) as select $1, $2
execute p (1, 'a')
deallocate all
lock table only t, u * in share row exclusive mode nowait
truncate table only t, u restart identity cascade
call p(1, a => 2)
do language plpgsql $$begin end$$
vacuum (full, analyze) t (a)
analyze verbose t (a, b), u
refresh materialized view concurrently v with no data
listen x
notify x, 'a'
set local work_mem to '1MB'
set session characteristics as transaction isolation level serializable, read only, deferrable
set time zone interval '1' hour to minute
set time zone local
show transaction isolation level
begin isolation level repeatable read, read write
start transaction read only
rollback to savepoint x
prepare transaction 'x'
savepoint x
release x
discard temp
comment on column t.a is 'x'
comment on function f(int, variadic text[]) is null
security label for x on table t is 'a'
grant select (a, b), update on t, u to x, public with grant option granted by y
revoke grant option for all privileges (a) on table t from x cascade
alter default privileges in schema x for role y grant select on tables to z
create role x with login password 'a' valid until '2020-01-01' in role y
reassign owned by x to y
create rule r as on update to t where new.a > 1 do also (insert into u values (1); delete from v)
create policy p on t as restrictive for update to x using (true) with check (a > 1)
create trigger x before insert or update of a, b on t for each row when (new.a > 1) execute function f('a', 1)
create constraint trigger x after delete on t from u deferrable initially deferred for each row execute procedure f()
create trigger x after update on t referencing old table as o new table n for each statement execute function f()
create aggregate a (int, variadic "any" order by text) (sfunc = f, stype = int, initcond = '0')
create operator === (leftarg = int, rightarg = int, function = f, commutator = ===)
create operator class x default for type int using btree family y as operator 1 < (int, int) for search, function 1 f(int, int), storage int
create cast (int as text) with function f(int) as assignment
create cast (int as text) with inout as implicit
create conversion x for 'utf8' to 'latin1' from f
create statistics if not exists s (ndistinct, mcv) on a, (b + 1) from t
create text search configuration x (parser = y)
alter text search configuration x add mapping for a, b with c
create collation if not exists x (locale = 'a', provider = icu)
create collation x from "C"
create domain d as int constraint c check (value > 1) not null default 3 collate "C"
create type x as (a int collate "C", b text)
create type x as enum ('a', 'b')
create type x as range (subtype = int, subtype_diff = f)
create type x (input = f, output = g, internallength = variable, like = int, passedbyvalue)
create type x
alter type x add value if not exists 'c' before 'a'
alter type x add attribute a int cascade, drop attribute if exists b, alter attribute c set data type text
create publication p for table t (a) where (b > 1), tables in schema x with (publish = 'insert')
create server s type 'a' version 'b' foreign data wrapper f options (a 'b')
create foreign table t (a int options (x 'y') not null) inherits (u) server s options (a 'b')
import foreign schema x limit to (a, b) from server s into y
create user mapping if not exists for public server s options (a 'b')
create tablespace x owner y location '/a' with (seq_page_cost = 1)
create database x with owner = y template = z encoding 'utf8' is_template true
create schema if not exists authorization x create table t (a int) create view v as select 1
create extension if not exists x with schema y version '1.0' cascade
create access method x type index handler f
create language x handler f inline g validator h
create transform for int language x (from sql with function f(internal), to sql with function g(internal))
create sequence if not exists s as bigint increment by 2 minvalue 1 no maxvalue start with 1 cache 2 no cycle owned by t.a
alter sequence s restart with 3
create unique index concurrently if not exists i on only t using gist (a collate "C" text_ops (siglen = 3) desc nulls last, (a + 1), lower(b)) include (c) nulls not distinct with (fillfactor = 10) tablespace x where a > 1
create table p partition of t (a not null default 1, constraint c check (a > 1)) for values from (1, minvalue) to (maxvalue, 3) partition by list (a)
create table p partition of t for values in (1, null)
create table p partition of t for values with (modulus 3, remainder 1)
create table p partition of t default
create table x of y (a with options primary key, b default 1)
alter table only t add column if not exists a int not null, drop column if exists b cascade, alter column c type text using c::text collate "C", alter d set default 1, alter d drop not null, alter e add generated always as identity, alter e set generated by default restart with 3, alter e drop identity if exists, alter f drop expression if exists, alter g set statistics 10, alter g set (n_distinct = 3), alter g set storage plain, alter g set compression lz4, add constraint c check (a > 1) not valid, validate constraint c, alter constraint c deferrable, drop constraint if exists c restrict, disable trigger all, enable replica trigger x, enable always rule y, force row level security, cluster on i, set without cluster, set logged, set tablespace x, set (fillfactor = 3), reset (fillfactor), inherit u, no inherit u, of z, not of, owner to current_user, replica identity using index i, set access method heap
alter table t attach partition p for values in (1)
alter table t detach partition p concurrently
alter table t add constraint c primary key using index i
alter index i alter column 1 set statistics 3
alter view v alter column a set default 1
alter function f(int) strict immutable leakproof parallel safe cost 3 set search_path to a, b
alter table if exists t rename column a to b
alter domain d add constraint c check (value > 1) not valid
alter system set x = 'y'
drop function if exists f(int, text), g restrict
drop operator if exists + (int, none)
drop aggregate a(*)
drop owned by x cascade
drop cast if exists (int as text)
drop index concurrently if exists i
drop trigger if exists x on t
drop routine f
create or replace function f(in a int default 1, out b text, inout c int = 3, variadic d int[]) returns setof record language sql immutable strict security definer parallel safe cost 3 rows 10 support g set x from current as $$select 1$$
create function f(a int) returns int return a + 1
create function f() returns table (a int, b text) begin atomic select 1; select 2, 'a'; end
create procedure p(a int) language sql begin atomic insert into t values (a); end
create function f() returns int as 'a', 'b' language c
load 'a'
cluster verbose t using i
reindex (verbose) table concurrently t
create table x (a int) without oids
select ''::text COLLATE "C" from t order by a collate "C" desc nulls first
select count(*) from t group by ()
select a from t group by all a
select * from t where (a, b) < (1, 2) and a is not distinct from b
select * from t join u using (a, b) as x join v using (a)
select 1 where true having true
select (select 1), ((select 2)), (((3)))
select interval '1' , interval '3 days' * 2
select a ->> 'b' is null, a -> 'b' = 'c', not a -> 'b' ? 'c' from t
select $1, $2::int
SELECT match, prior FROM queens WHERE match = 1 AND prior IS NULL ORDER BY match, prior
SELECT prior AS before, match AS after FROM queens
CREATE TABLE weighings (key varchar(10) UNIQUE, fulltext tsvector NOT NULL, exclude int, by int, set int, update date)
SELECT by, set FROM (SELECT 1 AS by, 2 AS set) w ORDER BY by, set
ALTER TABLE weighings ADD period int, ADD system text, ADD value int, ADD partition varchar(5)
ALTER TABLE weighings DROP key CASCADE
ALTER TABLE weighings ALTER key SET DEFAULT 'a'
CREATE INDEX CONCURRENTLY ON hives (name)
UPDATE ignore SET a = 1
INSERT INTO fail (a) VALUES (1)
SELECT sql_cache, high_priority FROM (SELECT 1 AS sql_cache, 2 AS high_priority) w
CREATE FUNCTION shown() RETURNS text LANGUAGE plpgsql AS $$ DECLARE desc text; try int; BEGIN desc := 'x'; try := 1; SELECT name INTO desc FROM hives; RETURN desc; END $$
SELECT name FROM hives WHERE tags && ANY (SELECT tags FROM queens) AND name ~ ANY (ARRAY['a', 'b']) AND name !~* ALL (SELECT name FROM queens)
SELECT name FROM hives WHERE doc @> ANY (ARRAY['{}'::jsonb]) OR name OPERATOR(pg_catalog.~) SOME (SELECT name FROM queens) OR name || ANY (SELECT 'a')
SELECT spot <=> '[1]' FROM hives ORDER BY spot <=> $1 + 1, 1 - (spot <=> $2)
INSERT INTO hives (spots[1].x, spots[1].tags[2], lid.width) VALUES (1, 'a', 2)
SELECT a ?|| b, a ?-| b, a *<> b, a *<= b, 5 - -1, 2*-1, 3<-1, row(1) *= row(2) FROM hives
SELECT 'foo' = ANY ((SELECT array['foo'])::text[]), 1 IN ((SELECT 1)::int, (SELECT 2)), 1 = ALL (((SELECT array[1])::int[]))
SELECT * FROM coalesce(1, 2) AS c, COLLATION FOR ('x'::text) col, CURRENT_DATE AS d, LOCALTIMESTAMP(3) AS t, CAST(1 + 2 AS int4) AS i4
SELECT U&'d!0061t\+000061' UESCAPE '!' AS U&"d*0061t\+000061" UESCAPE '*', 2 AS b
ALTER FOREIGN TABLE hives ALTER COLUMN name OPTIONS (ADD p1 'v1', ADD p2 'v2'), ALTER COLUMN queen_id OPTIONS (SET p2 'V2', DROP p1)
ALTER TABLE hives RESET (toast.autovacuum_vacuum_cost_delay, autovacuum_enabled)
ALTER STATISTICS IF EXISTS hive_stats SET STATISTICS 0
SELECT set('t')
SELECT convert('ABC'::bytea, 'LATIN1', 'UTF8'), convert(name::bytea, pg_encoding_to_char(1), pg_encoding_to_char(2)) <> 'ABC' FROM hives
SELECT INTERSECT SELECT
CREATE FUNCTION counted() RETURNS void LANGUAGE plpgsql AS $$ DECLARE report record; BEGIN SELECT INTO report (to_jsonb(h)) AS value FROM hives h; END $$
CREATE TABLE hives_1 PARTITION OF hives (name WITH OPTIONS NOT NULL DEFAULT 'x', CONSTRAINT few CHECK (frame_count < 30)) FOR VALUES IN (1) PARTITION BY RANGE (queen_id)
SELECT name FROM hives WHERE 'Ash' <% name AND name %> 'a' AND name <<-> 'b' < 0.3 AND name % 'Ash' ORDER BY name <-> 'Ash'
