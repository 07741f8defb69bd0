-- dialect: postgres
SELECT EXTRACT(MONTH FROM sold_at) AS m, SUM(jars) AS jars FROM sales GROUP BY EXTRACT(MONTH FROM sold_at); -- want "group.month-without-year"
SELECT EXTRACT(MONTH FROM sold_at) AS m, SUM(jars) AS jars FROM sales GROUP BY 1; -- want "group.month-without-year" "group.position"
SELECT date_part('month', sold_at) AS m, COUNT(*) AS n FROM sales GROUP BY date_part('month', sold_at); -- want "group.month-without-year"
SELECT TO_CHAR(sold_at, 'MM') AS m, COUNT(*) AS n FROM sales GROUP BY TO_CHAR(sold_at, 'MM'); -- want "group.month-without-year"
SELECT EXTRACT(WEEK FROM sold_at) AS w, COUNT(*) AS n FROM sales GROUP BY w; -- want "group.month-without-year"
SELECT EXTRACT(DAY FROM sold_at) AS d, COUNT(*) AS n FROM sales GROUP BY EXTRACT(DAY FROM sold_at); -- want "group.month-without-year"
SELECT h.apiary_id, EXTRACT(MONTH FROM g.taken_on) AS m, SUM(g.weight_kg) AS kg FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id GROUP BY h.apiary_id, EXTRACT(MONTH FROM g.taken_on); -- want "group.month-without-year"
-- The year is told, or asked for, or does not matter.
SELECT EXTRACT(YEAR FROM sold_at) AS y, EXTRACT(MONTH FROM sold_at) AS m, SUM(jars) AS jars FROM sales GROUP BY y, m;
SELECT TO_CHAR(sold_at, 'YYYY-MM') AS m, COUNT(*) AS n FROM sales GROUP BY TO_CHAR(sold_at, 'YYYY-MM');
SELECT date_trunc('month', sold_at) AS m, COUNT(*) AS n FROM sales GROUP BY date_trunc('month', sold_at);
SELECT EXTRACT(MONTH FROM sold_at) AS m, SUM(jars) AS jars FROM sales WHERE EXTRACT(YEAR FROM sold_at) = 2026 GROUP BY m; -- want "index.function-on-column"
SELECT EXTRACT(DOW FROM sold_at) AS d, COUNT(*) AS n FROM sales GROUP BY d;
SELECT EXTRACT(MONTH FROM sold_at) AS m, AVG(price) AS price FROM sales GROUP BY m;
