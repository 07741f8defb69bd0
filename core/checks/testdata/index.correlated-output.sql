-- dialect: postgres, possible
-- checks: index.correlated-output
SELECT a.name, (SELECT COUNT(*) FROM hives h WHERE h.apiary_id = a.apiary_id) AS n, (SELECT COUNT(*) FROM hives) AS all_hives FROM apiaries a; -- want "index.correlated-output"
SELECT a.name, (SELECT COUNT(*) FROM hives h WHERE h.apiary_id = a.apiary_id) AS n FROM apiaries a WHERE a.name = 'Oak Ridge';
SELECT a.name FROM apiaries a WHERE (SELECT COUNT(*) FROM hives h WHERE h.apiary_id = a.apiary_id) > 3;
