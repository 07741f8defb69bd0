-- dialect: postgres
-- checks: name.unknown-column
SELECT f.f1, f.name, f.xmlelement FROM (SELECT (ROW(1, 2)).f1, CASE WHEN true THEN 'x' ELSE name END, XMLELEMENT(NAME hive) FROM hives) AS f;
SELECT f.array, f.row, f.btrim, f.text FROM (SELECT ARRAY[1], ROW(1, 2), TRIM(name), CASE WHEN true THEN 'x' END::text FROM hives) AS f;
SELECT f.n, f.name, f.max FROM (SELECT (SELECT 1 AS n), name::varchar, (SELECT MAX(hive_id) FROM hives) FROM hives) AS f;
SELECT f.hive FROM (SELECT (ROW(1, 2)).f1, XMLELEMENT(NAME hive) FROM hives) AS f; -- want "name.unknown-column"
