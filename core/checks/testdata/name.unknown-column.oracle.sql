-- dialect: oracle
-- checks: name.unknown-column

-- MODEL gives names of its own, and so do passed-over parts of JSON functions
SELECT hive_id, y, kg FROM harvests MODEL PARTITION BY (hive_id) DIMENSION BY (harvest_id AS y) MEASURES (weight_kg AS kg) RULES (kg[5] = kg[4] * 1.1);

-- an alias is the argument of VALUE and REF, and of nothing else
SELECT VALUE(h), REF(h) FROM hives h;
SELECT UPPER(h) FROM hives h; -- want "name.unknown-column"

-- how vectors are compared is a word
SELECT name FROM hives ORDER BY VECTOR_DISTANCE(name, colour, COSINE); -- want "name.unknown-column"

-- columns of the versions of a row
SELECT versions_xid, versions_operation, name FROM hives VERSIONS BETWEEN SCN MINVALUE AND MAXVALUE;

-- pairs of JSON are read
SELECT JSON_OBJECT('a' : h.name, 'b' VALUE h.colour) FROM hives h; -- want "name.unknown-column"
SELECT JSON_OBJECT('a':h.name, 'b':h.colour) FROM hives h; -- want "name.unknown-column"
ALTER SESSION SET CURRENT_SCHEMA = south; CREATE TABLE swarm_s (swarm_id NUMBER); ALTER SESSION SET CURRENT_SCHEMA = north; CREATE TABLE swarm_s (code NUMBER); SELECT code FROM swarm_s;
ALTER SESSION SET CURRENT_SCHEMA = south; SELECT swarm_id FROM swarm_s; SELECT code FROM swarm_s; -- want "name.unknown-column"
