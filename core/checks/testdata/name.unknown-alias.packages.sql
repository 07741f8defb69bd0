-- dialect: oracle
-- checks: name.unknown-alias, name.unknown-column, name.unknown-table
SELECT DBMS_RANDOM.VALUE AS r, name FROM hives ORDER BY DBMS_RANDOM.VALUE;
SELECT bee_rates.current_rate FROM hives;
SELECT x.name FROM hives h; -- want "name.unknown-alias"
SELECT hives.name FROM hives h; -- want "name.unknown-alias"
INSERT INTO (SELECT keeper_id, name, joined_on FROM keepers) VALUES (1, 'Ada', SYSDATE);
SELECT XMLAGG(XMLELEMENT("n", XMLATTRIBUTES(name AS "a"), name)) FROM hives;
