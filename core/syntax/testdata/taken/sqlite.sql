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
