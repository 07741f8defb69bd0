-- Statements that SQLite reads, one a line.
SELECT * FROM hives AS h NATURAL LEFT OUTER JOIN queens CROSS JOIN keepers USING (keeper_id) LEFT JOIN sales
SELECT name, weight IS NOT NULL, weight NOT NULL, weight NOTNULL, weight ISNULL, a IS b, a IS NOT DISTINCT FROM b, a == b, a <> b, name || 'x', ~a, a -> '$.x' ->> 0 FROM hives
SELECT name GLOB 'a*', name NOT LIKE 'a!_%' ESCAPE '!', name MATCH 'x', name REGEXP 'y', a COLLATE NOCASE, CAST(a AS VARCHAR(3)), CASE a WHEN 1 THEN 2 END, EXISTS (SELECT 1), a IN queens, b NOT IN (VALUES (1), (2)), (a, b) < (1, 2), c IN () FROM hives
SELECT count(*) FILTER (WHERE weight > 1) OVER (PARTITION BY yard ORDER BY name GROUPS BETWEEN 1 PRECEDING AND CURRENT ROW EXCLUDE TIES), group_concat(name, ','), min(a, b), row_number() OVER w FROM hives WINDOW w AS (ORDER BY name)
SELECT name FROM hives INDEXED BY by_name WHERE yard = 'x' GROUP BY 1 HAVING weight > 1 ORDER BY name COLLATE NOCASE DESC NULLS LAST LIMIT 5, 10
SELECT name FROM hives NOT INDEXED LIMIT 5 OFFSET 2
SELECT 'a' "b", [c d], `e`, "f", x'4A', 1e3, .5, 0x1F, ?1, :a, @b, $c FROM hives
SELECT 1 UNION SELECT 2 UNION ALL VALUES (3), (4) INTERSECT SELECT 5 EXCEPT SELECT 6 ORDER BY 1
SELECT * FROM (hives h JOIN queens q ON h.queen_id = q.queen_id), json_each('[1]') AS j, pragma_table_info('hives')
SELECT * FROM (VALUES (1, 2), (3, 4)) AS v
WITH RECURSIVE n(i) AS NOT MATERIALIZED (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 5 LIMIT 3) SELECT i FROM n
INSERT OR IGNORE INTO hives AS h (name, weight) VALUES ('a', 1), ('b', 2) ON CONFLICT (name) WHERE weight > 0 DO UPDATE SET (name, weight) = (excluded.name, 1) WHERE h.weight < 2 ON CONFLICT DO NOTHING RETURNING hive_id AS id, *
INSERT INTO hives DEFAULT VALUES
REPLACE INTO main.hives (name) SELECT name FROM queens WHERE true ON CONFLICT DO NOTHING
UPDATE OR ROLLBACK hives AS h INDEXED BY by_name SET name = q.name, (a, b) = (SELECT 1, 2) FROM queens AS q, keepers WHERE h.queen_id = q.queen_id RETURNING name
DELETE FROM hives AS h WHERE weight = 0 RETURNING *
CREATE TABLE IF NOT EXISTS hives (hive_id INTEGER PRIMARY KEY ASC ON CONFLICT ABORT AUTOINCREMENT, name TEXT NOT NULL ON CONFLICT FAIL UNIQUE COLLATE NOCASE DEFAULT ('a' || 'b'), weight REAL CHECK (weight > 0) DEFAULT +1.5, queen_id REFERENCES queens (queen_id) ON DELETE SET NULL MATCH SIMPLE DEFERRABLE INITIALLY DEFERRED, twice AS (weight * 2) STORED, anything, big UNSIGNED BIG INT(20), CONSTRAINT u UNIQUE (name, weight) ON CONFLICT REPLACE, CONSTRAINT c CHECK (name <> ''), FOREIGN KEY (queen_id) REFERENCES queens ON UPDATE CASCADE)
CREATE TABLE hives (hive_id TEXT PRIMARY KEY, n INT) WITHOUT ROWID, STRICT
CREATE TEMP TABLE heavy AS SELECT * FROM hives
CREATE UNIQUE INDEX IF NOT EXISTS main.by_name ON hives (lower(name) COLLATE NOCASE DESC, weight) WHERE weight > 0
CREATE TEMP VIEW IF NOT EXISTS heavy (a, b) AS SELECT hive_id, weight FROM hives
CREATE TRIGGER IF NOT EXISTS t INSTEAD OF UPDATE OF name ON heavy FOR EACH ROW WHEN NEW.a > 1 BEGIN UPDATE hives SET name = NEW.b WHERE hive_id = OLD.a; INSERT INTO log VALUES (1); SELECT RAISE(IGNORE); DELETE FROM log; END
CREATE VIRTUAL TABLE texts USING fts5(name, tokenize = 'porter')
ALTER TABLE hives RENAME COLUMN name TO label
ALTER TABLE hives ADD COLUMN notes TEXT DEFAULT 'x' NOT NULL
ALTER TABLE hives DROP COLUMN notes
DROP TABLE IF EXISTS main.hives
PRAGMA main.foreign_keys = ON
PRAGMA table_info('hives')
EXPLAIN QUERY PLAN SELECT name FROM hives
EXPLAIN DELETE FROM hives
BEGIN EXCLUSIVE TRANSACTION
SAVEPOINT a
ROLLBACK TRANSACTION TO SAVEPOINT a
VACUUM main INTO 'x.db'
ATTACH DATABASE 'x.db' AS other
REINDEX hives
ANALYZE main.hives
select distinct a, t.*, * from t
select all a from t where a = ?1 and b = :x and c = @y and d = $z and e = ?
select * from t as x indexed by i, u not indexed
select * from t natural left outer join u cross join v using (a) full outer join w on true right join x using (b)
select * from (t join u on t.a = u.a) as j
select * from (t, u)
select * from json_each('[]') as j, generate_series(1, 3)
select * from pragma_table_info('t')
select a from t group by a having count(*) > 1 order by a collate nocase desc nulls last limit 1, 2
select a from t limit 1 offset 2
values (1, 2), (3, 4)
with recursive a(n) as materialized (select 1 union all select n + 1 from a limit 3), b as not materialized (values (1)) select * from a, b
select a, sum(b) filter (where c) over (partition by d order by e groups between 1 preceding and unbounded following exclude ties), row_number() over w from t window w as (order by a), w2 as (w rows current row)
select a is b, a is not b, a is distinct from b, a is not distinct from b, a isnull, a notnull, a not null, a == b, a <> b, a != b from t
select a like b escape '\', a not glob 'b', a regexp 'c', a match 'd', a not like 'e' from t
select a between 1 and 2, a not in (1, 2), a in (), a in t, a in main.t, a not in (select 1), (a, b) in (values (1, 2)), exists (select 1) from t
select case when a then 1 else 2 end, cast(a as varchar(3)), cast(b as unsigned big int), -a, +a, ~a, not a, a || b, a -> '$.x', a ->> 'y', a << 1 & 2 | 3, a % b from t
select 'a''b', "x", [y z], `w`, x'1f', 0x1F, 1e3, .5, 5., 1_000, null, true, false, current_date, current_time, current_timestamp
select count(*), count(distinct a), group_concat(a, '-'), group_concat(a order by b), string_agg(a, ','), total(a), max(a, b), iif(a, 1, 2), json_object('a', 1) from t
select rowid, _rowid_, oid, t.rowid from t
insert into t default values
insert or replace into main.t as x (a, b) values (1, 2), (3, 4) on conflict (a collate nocase) where b > 1 do update set a = excluded.a, (b, c) = (1, 2) where x.a > 1 on conflict do nothing returning *, a as z
insert or ignore into t select 1 where true on conflict do nothing
replace into t values (1)
with x as (select 1) insert into t select * from x
update or fail t as x indexed by i set a = 1, (b, c) = (select 1, 2) from u, v where x.a = u.a returning a
update t set a = 1 where b = 2
delete from t as x not indexed where a = 1 returning *
create table t (a integer primary key asc on conflict replace autoincrement, b text not null on conflict abort default 'x' collate nocase check (b <> ''), c generated always as (a + 1) stored, d as (b) virtual, e int references u (a) on delete set null on update cascade match full deferrable initially deferred, f default (1 + 2), g default -1, h, i varchar(3) unique on conflict ignore, j "my type", constraint x primary key (a, b desc) on conflict fail, unique (a collate nocase), check (a > 1), foreign key (a, b) references u, constraint y foreign key (a) references u (b) not deferrable) strict, without rowid
create temp table if not exists t as select 1 as a
create temporary table t (a)
create table "t x" ([a b] int, `c` int)
create virtual table v using fts5 (a, b unindexed, content = '', tokenize = "porter ascii")
create virtual table if not exists v using rtree (id, minx, maxx, +aux text)
create unique index if not exists main.i on t (a collate nocase desc, b + 1, lower(c)) where a is not null
create temp view if not exists v (a, b) as select 1, 2
create trigger if not exists x after update of a, b on t for each row when new.a > old.a begin update u set a = new.a where b = old.b; insert or ignore into v values (new.a); delete from w where a = old.a; select raise(abort, 'x'); end
create trigger x instead of delete on v begin select 1; end
create temp trigger x before insert on t begin select raise(rollback, 'a' || 'b'); end
alter table t rename to u
alter table t rename column a to b
alter table t rename a to b
alter table t add column a int default 3
alter table t add a text collate nocase
alter table t drop column a
drop table if exists main.t
drop index if exists i
drop view v
drop trigger if exists x
pragma main.journal_mode = wal
pragma table_info(t)
pragma foreign_keys
pragma cache_size = -2000
attach database 'x' as y
attach 'x' || 'y' as z
detach database y
analyze main.t
reindex nocase
vacuum into '/x'
begin immediate transaction
commit transaction
end
rollback transaction to savepoint x
savepoint x
release savepoint x
explain query plan select 1
explain select 1
select a from t where a = 1 order by (select 1), b limit (select 3)
select (select 1), (values (1)), exists (values (1)) from (values (1, 2))
select t.a as [x y], t.b 'z', t.c "w", t.d `v` from t
select * from t where (a, b) > (1, 2) and (a, b) = (select 1, 2)
select abs(a), min(a, b), ifnull(a, 1), coalesce(a, b, c), typeof(a), quote(a), printf('%d', a), strftime('%Y', 'now'), date('now', '+1 day'), julianday(), unixepoch(), random(), last_insert_rowid(), changes(), likelihood(a, 0.5), nullif(a, 1), trim(a, 'x'), substr(a, 1, 2), instr(a, 'b'), hex(a), zeroblob(3), unicode(a), char(65), replace(a, 'b', 'c'), round(a, 2), total_changes() from t
SELECT prior, h.prior, window, fetch FROM hives h WHERE prior = 1 ORDER BY prior
SELECT name, offset FROM hives ORDER BY name, offset
SELECT j.name FROM (hives h JOIN queens q ON q.queen_id = h.queen_id) AS j
SELECT name FROM hives WHERE hive_id IN main.strong_hives
CREATE TABLE weighings (key varchar(10), window int, offset int, fetch text, qualify, exclude int, by int)
ALTER TABLE weighings ADD period int
UPDATE weighings SET window = 1, offset = 2
CREATE INDEX w ON hives (name, offset DESC)
UPDATE ignore SET a = 1
SELECT h.name FROM hives h, queens q ON h.queen_id = q.queen_id, hives o USING (hive_id) WHERE h.hive_id IN (SELECT hive_id FROM hives, queens ON 1)
SELECT * FROM hives OUTER LEFT NATURAL JOIN queens
SELECT 'hives'.'name', 'hives'.'hive_id' + 5 FROM 'hives'
CREATE TABLE combs_1 (x INTEGER CHECK (x > 0) CONSTRAINT one, y REAL, PRIMARY KEY (x AUTOINCREMENT), UNIQUE (x, y) CONSTRAINT three, CONSTRAINT four)
CREATE TRIGGER moved AFTER INSERT ON main.'hives' BEGIN SELECT 1; END
SELECT like('a%', name), glob('a*', name), 1 FROM hives WHERE NOT like('x', name)
