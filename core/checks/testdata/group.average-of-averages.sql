-- dialect: postgres
SELECT AVG(d.mites) AS mites FROM (SELECT hive_id, AVG(mites) AS mites FROM inspections GROUP BY hive_id) AS d; -- want "group.average-of-averages"
WITH per_hive AS (SELECT hive_id, ROUND(AVG(weight_kg), 1) AS kg FROM harvests GROUP BY hive_id) SELECT AVG(kg) AS kg FROM per_hive; -- want "group.average-of-averages"
WITH per_hive AS (SELECT hive_id, SUM(weight_kg) / COUNT(*) AS kg FROM harvests GROUP BY hive_id) SELECT MAX(kg) AS top, AVG(kg) AS kg FROM per_hive; -- want "group.average-of-averages"
SELECT AVG(d.kg) AS kg FROM (SELECT hive_id, MAX(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d;
SELECT AVG(d.n) AS n FROM (SELECT hive_id, COUNT(*) AS n FROM harvests GROUP BY hive_id) AS d;
SELECT SUM(d.mites) AS mites FROM (SELECT hive_id, AVG(mites) AS mites FROM inspections GROUP BY hive_id) AS d;
