-- dialect: postgres
-- checks: window.implied-frame
SELECT g.hive_id, COUNT(*) OVER (PARTITION BY g.hive_id ORDER BY g.taken_on DESC) AS n FROM harvests g; -- want "window.implied-frame"
SELECT h.name, AVG(g.weight_kg) OVER (PARTITION BY h.hive_id ORDER BY g.taken_on) AS mean FROM hives h JOIN harvests g ON g.hive_id = h.hive_id; -- want "window.implied-frame"
SELECT hive_id, SUM(COUNT(*)) OVER (ORDER BY taken_on) AS n FROM harvests GROUP BY hive_id, taken_on; -- want "window.implied-frame"
SELECT taken_on, SUM(COUNT(*)) OVER (ORDER BY taken_on) AS n FROM harvests GROUP BY taken_on;
SELECT harvest_id, SUM(weight_kg) OVER (PARTITION BY hive_id ORDER BY harvest_id) AS n FROM harvests;
SELECT harvest_id, MAX(weight_kg) OVER (ORDER BY taken_on) AS n FROM harvests;
SELECT harvest_id, SUM(weight_kg) OVER w AS n FROM harvests WINDOW w AS (ORDER BY taken_on);
SELECT x.kg, SUM(x.kg) OVER (ORDER BY x.kg) AS n FROM (SELECT weight_kg AS kg FROM harvests) AS x;
