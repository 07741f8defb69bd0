-- dialect: postgres
SELECT name FROM apiaries WHERE name LIKE '%heath%'; -- want "match.leading-wildcard"
SELECT name FROM apiaries WHERE name ILIKE '_eath'; -- want "match.leading-wildcard"
SELECT name FROM apiaries WHERE name LIKE '%' || $1; -- want "match.leading-wildcard"
SELECT a.name FROM apiaries AS a JOIN keepers AS k ON k.name LIKE '%' || a.name;
DELETE FROM apiaries WHERE name LIKE '%heath'; -- want "match.leading-wildcard"
SELECT name FROM apiaries WHERE name LIKE CONCAT('%', $1, '%'); -- want "match.leading-wildcard"
SELECT name FROM apiaries WHERE name LIKE 'heath%';
SELECT name FROM apiaries WHERE name LIKE '%'; -- want "match.everything"
SELECT name FROM apiaries WHERE name NOT LIKE '%heath%';
SELECT name LIKE '%heath%' FROM apiaries;
SELECT name FROM apiaries WHERE name LIKE $1;
SELECT name FROM apiaries WHERE name LIKE '!%%' ESCAPE '!';
SELECT name FROM apiaries WHERE name LIKE $1 || '%';
SELECT name FROM apiaries WHERE 'x' LIKE '%heath';
SELECT COUNT(*) FROM apiaries GROUP BY keeper_id HAVING MAX(name) LIKE '%heath';
CREATE TABLE swarms (swarm_id integer PRIMARY KEY, place text);
CREATE INDEX ON swarms USING gin (place gin_trgm_ops);
SELECT swarm_id FROM swarms WHERE place LIKE '%oak%';
