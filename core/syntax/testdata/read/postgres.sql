\set ON_ERROR_STOP on
\connect bees
SELECT :'name', :"col", :x FROM hives;
CREATE FUNCTION f(a int) RETURNS trigger LANGUAGE plpgsql AS $fn$
BEGIN
  IF NEW.a = NULL THEN RETURN NULL; END IF;
  RETURN NEW;
END $fn$;
CREATE FUNCTION g() RETURNS int LANGUAGE sql BEGIN ATOMIC SELECT 1; SELECT 2; END;
CREATE PROCEDURE h() AS 'SELECT 1' LANGUAGE sql;
DO $$ BEGIN PERFORM 1; END $$;
COPY hives (a, b) FROM stdin;
1	it's
2	\N
\.
CREATE RULE r AS ON INSERT TO hives DO INSTEAD (INSERT INTO a VALUES (1); INSERT INTO b VALUES (2));
SELECT 1; \gset
CREATE TRIGGER t AFTER UPDATE OF name ON hives FOR EACH ROW WHEN (OLD.name IS DISTINCT FROM NEW.name) EXECUTE FUNCTION f();
SELECT x[1:2], x[:2], (y).*, (z).a.b, ROW(1,2), ARRAY[[1,2],[3,4]], a OPERATOR(pg_catalog.+) b, 'a'::text COLLATE "C", interval '1' day, int4 '5', point '(1,2)' <-> p, @ -5, |/ 4, !! 3 FROM ONLY t*, ROWS FROM (f(1), g(2)) AS r(a, b);
SELECT 1 AS one \gset
SELECT 1 \watch 5
SELECT h.name FROM ${schema}.hives h JOIN x.${table} a ON a.apiary_id = h.apiary_id WHERE h.season = ${year};
CREATE TABLE {{ prefix }}_hives_{{ season }} (hive_id integer);
CREATE INDEX @{table}_idx ON @{table}(hive_id);
INSERT INTO %(table)s (hive_id) SELECT hive_id FROM hives_{year} WHERE day > %(start)s;
SELECT a.${column}, {{ columns | join(', ') }} FROM x_${name}_y AS a ORDER BY #{order};
DROP TABLE IF EXISTS <%= prefix %>_hives;
INSERT INTO :schema.hives (hive_id) VALUES (:id);
SELECT (1, 2):::schema.pair, ARRAY[weight]:::schema.kilos[] FROM :schema.harvests;
SELECT 5%2, 7 %3, weight%2 FROM hives;

-- What programs put in with their print functions, and the remainder.
SELECT name, frame_count %d, %q FROM %v AS h WHERE hive_id = %d AND name IN (%1$s, %2$d) LIMIT %d OFFSET %d;
SELECT %[1]s.name FROM %[1]s WHERE weight %f > 2 AND %[2]d = hive_id;
SELECT name FROM {self.table} WHERE hive_id = {place.of_hive};
SELECT frame_count %% 2, a %b% c FROM %%PREFIX%%hives WHERE hive_id = %ID% AND (%CONDITION%); GRANT SELECT ON %%PREFIX%%hives TO %READER%;

-- What psql sends by its own commands, and the rows that it copies.
SELECT 10 AS hive_id, 'Ash' AS name
\gset
SELECT format('CREATE INDEX ON %I (name)', :'name')
  \gexec
SELECT name FROM hives \gx
SELECT 1 \; SELECT 2\; SELECT :{?name} AS is_set;
SELECT name, queen_id, frame_count FROM hives
 \crosstabview name queen_id frame_count
\copy hives from stdin
'Ash	3	x <-> y
\.x
\.
COPY hives FROM stdin;
a\.
\.b
\.
CREATE FUNCTION strict() RETURNS void AS $$
-- only here
#print_strict_params on
BEGIN
  PERFORM 1;
END $$ LANGUAGE plpgsql;
SELECT JSON_QUERY(remark::jsonb, '$.a' WITH CONDITIONAL WRAPPER), JSON_VALUE(remark::jsonb, '$.a' PASSING temper AS t RETURNING integer DEFAULT 0 ON ERROR), JSON_EXISTS(remark::jsonb, '$.a' ERROR ON ERROR) FROM inspections;
SELECT JSON_OBJECT('a': 1, 'b': name ABSENT ON NULL WITH UNIQUE KEYS), JSON_OBJECT('a' VALUE hive_id FORMAT JSON), JSON_ARRAY(1, name NULL ON NULL), JSON_ARRAY(SELECT name FROM hives), JSON_ARRAYAGG(name ORDER BY name), JSON_OBJECTAGG(name : hive_id), JSON_SERIALIZE('{}' RETURNING bytea) FROM hives GROUP BY hive_id, name;
SELECT remark IS JSON OBJECT WITH UNIQUE KEYS, remark IS NOT JSON WITHOUT UNIQUE FROM inspections;
UPDATE sales SET jars = 1 RETURNING WITH (OLD AS was, NEW AS is_now) was.jars, is_now.jars;
CREATE TABLE stands (hive_id int, during daterange, PRIMARY KEY (hive_id, during WITHOUT OVERLAPS));
CREATE TABLE stays (hive_id int, during daterange, FOREIGN KEY (hive_id, PERIOD during) REFERENCES stands (hive_id, PERIOD during));
SELECT j.* FROM inspections i, JSON_TABLE(i.remark::jsonb, '$[*]' PASSING i.temper AS t COLUMNS (n FOR ORDINALITY, a integer PATH '$.a' DEFAULT 0 ON EMPTY)) j;
