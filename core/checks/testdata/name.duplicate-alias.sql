-- dialect: postgres
SELECT 1 FROM hives AS h JOIN queens AS h ON true; -- want "name.duplicate-alias"
SELECT 1 FROM hives, hives; -- want "name.duplicate-alias"
SELECT 1 FROM hives AS a JOIN queens AS b ON true JOIN keepers AS a ON true; -- want "name.duplicate-alias"
SELECT 1 FROM hives JOIN (SELECT 1) AS hives ON true; -- want "name.duplicate-alias"
SELECT 1 FROM hives AS h WHERE EXISTS (SELECT 1 FROM queens AS h);
SELECT 1 FROM hives AS a, hives AS b; -- want "join.unconnected"
SELECT 1 FROM (SELECT 1 FROM hives AS h) AS x, hives AS h; -- want "join.unconnected"
WITH h AS (SELECT 1 AS n) SELECT 1 FROM h, hives;
UPDATE hives SET name = 'x' FROM queens AS hives WHERE true; -- want "name.duplicate-alias"
WITH d AS (SELECT 1 AS a), d AS (SELECT 2 AS a) SELECT a FROM d; -- want "name.duplicate-alias"
