-- dialect: postgres
SELECT hive_id, weight_kg * 1000 AS grams FROM harvests WHERE grams > 500; -- want "clause.alias-in-where"
SELECT h.name AS hive, g.weight_kg
FROM hives AS h
JOIN harvests AS g ON g.hive_id = h.hive_id
WHERE hive LIKE 'A%' -- want "clause.alias-in-where"
  AND g.weight_kg > 3;
SELECT hive_id, SUM(weight_kg) AS total FROM harvests WHERE total > 3 GROUP BY hive_id; -- want "clause.alias-in-where"
SELECT hive_id, COUNT(*) OVER () AS n FROM harvests WHERE n > 3; -- want "clause.alias-in-where"
SELECT h.hive_id AS id, i.temper FROM hives AS h JOIN inspections AS i ON i.hive_id = id; -- want "clause.alias-in-where"
SELECT hive_id, weight_kg * 1000 AS moisture FROM harvests WHERE moisture > 18;
SELECT hive_id, weight_kg * 1000 AS grams FROM harvests ORDER BY grams;
SELECT grams FROM (SELECT weight_kg * 1000 AS grams FROM harvests) AS h WHERE grams > 500;
SELECT name AS hive FROM hives WHERE EXISTS (SELECT 1 FROM (SELECT 1 AS hive) AS x WHERE hive = 1);
SELECT weight_kg AS grams FROM harvests WHERE EXISTS (SELECT 1 FROM somewhere WHERE grams > 1); -- want "name.unknown-table"
WITH small AS (SELECT hive_id, weight_kg * 1000 AS grams FROM harvests) SELECT hive_id AS grams_of FROM small WHERE grams < 500;
SELECT UPPER(name) AS name FROM hives WHERE name = 'ASH';
