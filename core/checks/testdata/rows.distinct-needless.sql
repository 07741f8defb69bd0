-- dialect: postgres
-- checks: rows.distinct-needless
SELECT DISTINCT h.*, a.name AS apiary FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id; -- want "rows.distinct-needless"
select distinct a.name, max(h.frame_count) as most from apiaries a join hives h on h.apiary_id = a.apiary_id group by a.name; -- want "rows.distinct-needless"
SELECT DISTINCT COUNT(*) AS n FROM hives; -- want "rows.distinct-needless"
SELECT DISTINCT name, altitude_m FROM apiaries; -- want "rows.distinct-needless"
SELECT DISTINCT frame_count FROM hives WHERE hive_id = 3; -- want "rows.distinct-needless"
SELECT DISTINCT hive_id, generate_series(1, 2) AS n FROM hives;
SELECT DISTINCT h.hive_id, g.weight_kg FROM hives h LEFT JOIN harvests g ON g.hive_id = h.hive_id;
SELECT DISTINCT MAX(frame_count) AS most FROM hives GROUP BY apiary_id;
SELECT DISTINCT apiary_id, keeper_id FROM hives;
SELECT DISTINCT apiary_id, COUNT(*) FROM hives GROUP BY ROLLUP (apiary_id);
SELECT DISTINCT hive_id % 2 AS half FROM hives;
SELECT DISTINCT * FROM (SELECT apiary_id FROM hives) AS h;
