-- dialect: postgres
-- checks: window.frame-bounds
SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN 1 FOLLOWING AND 1 PRECEDING) FROM harvests; -- want "window.frame-bounds"
SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN 1 FOLLOWING AND CURRENT ROW) FROM harvests; -- want "window.frame-bounds"
SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN UNBOUNDED FOLLOWING AND CURRENT ROW) FROM harvests; -- want "window.frame-bounds"
SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN CURRENT ROW AND UNBOUNDED PRECEDING) FROM harvests; -- want "window.frame-bounds"
SELECT SUM(weight_kg) OVER w FROM harvests WINDOW w AS (ORDER BY taken_on ROWS UNBOUNDED FOLLOWING); -- want "window.frame-bounds"
SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN -1 PRECEDING AND CURRENT ROW) FROM harvests; -- want "window.frame-bounds"
SELECT SUM(weight_kg) OVER (ORDER BY hive_id, harvest_id RANGE BETWEEN CURRENT ROW AND 1 FOLLOWING) FROM harvests; -- want "window.frame-bounds"
SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN 3 FOLLOWING AND 1 FOLLOWING) FROM harvests;
SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN (1 + 1) PRECEDING AND 2 * (3 - 1) FOLLOWING EXCLUDE CURRENT ROW) FROM harvests;
SELECT RANK() OVER (ORDER BY taken_on ROWS BETWEEN UNBOUNDED PRECEDING AND CURRENT ROW) FROM harvests;
SELECT SUM(weight_kg) OVER (ORDER BY hive_id GROUPS BETWEEN 1 PRECEDING AND UNBOUNDED FOLLOWING) FROM harvests;
