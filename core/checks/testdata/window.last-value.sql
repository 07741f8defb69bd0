-- dialect: postgres
-- checks: window.last-value
SELECT NTH_VALUE(weight_kg, 2) OVER (ORDER BY taken_on) AS second, last_value(weight_kg) over (order by taken_on desc) AS l FROM harvests; -- want "window.last-value" "window.last-value"
SELECT LAST_VALUE(weight_kg) OVER (PARTITION BY hive_id) AS l FROM harvests;
SELECT LAST_VALUE(weight_kg) OVER (ORDER BY taken_on RANGE BETWEEN CURRENT ROW AND UNBOUNDED FOLLOWING) AS l FROM harvests;
