-- dialect: mariadb
-- checks: window.frame-bounds
SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN 1 FOLLOWING AND 1 PRECEDING) FROM harvests; -- want "window.frame-bounds"
SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN CURRENT ROW AND 1 PRECEDING) FROM harvests; -- want "window.frame-bounds"
SELECT ROW_NUMBER() OVER (ORDER BY taken_on ROWS 1 PRECEDING) FROM harvests; -- want "window.frame-bounds"
SELECT LAG(weight_kg) OVER (ORDER BY taken_on ROWS UNBOUNDED PRECEDING) FROM harvests;
SELECT SUM(weight_kg) OVER (ORDER BY harvest_id RANGE BETWEEN 1 PRECEDING AND CURRENT ROW) FROM harvests;
