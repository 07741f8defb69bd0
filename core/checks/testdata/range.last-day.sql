-- dialect: postgres
SELECT hive_id FROM inspections WHERE inspected_at BETWEEN '2026-05-01' AND '2026-05-31'; -- want "range.last-day"
SELECT hive_id FROM inspections AS i WHERE mites > 3 OR (i."inspected_at") BETWEEN DATE '2026-05-01' AND DATE '2026-05-31'; -- want "range.last-day"
SELECT sale_id FROM sales WHERE sold_at >= '2026-01-01' AND sold_at <= '2026-12-31'; -- want "range.last-day"
SELECT sale_id FROM sales WHERE '2026-12-31' >= sold_at AND jars > 2; -- want "range.last-day"
SELECT sale_id FROM (SELECT sale_id, sold_at AS at FROM sales) AS s WHERE at NOT BETWEEN '2026-05-01' AND '2026-05-30'; -- want "range.last-day"
SELECT sale_id FROM sales WHERE sold_at >= '2026-01-01' AND sold_at <= '2026-12-31 23:59:59';
SELECT harvest_id FROM harvests WHERE taken_on BETWEEN '2026-05-01' AND '2026-05-31';
SELECT sale_id FROM sales WHERE sold_at > '2026-05-31' AND sold_at <= CURRENT_DATE;
