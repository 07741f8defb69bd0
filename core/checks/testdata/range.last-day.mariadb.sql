-- dialect: mariadb
SELECT hive_id FROM inspections WHERE inspected_at BETWEEN '2026-05-01' AND '2026-05-31'; -- want "range.last-day"
SELECT sale_id FROM sales WHERE sold_at <= '2026-12-31' OR jars = 0; -- want "range.last-day"
SELECT h.name FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id AND i.inspected_at <= '2026-05-31'; -- want "range.last-day"
SELECT sale_id FROM sales WHERE sold_at < '2027-01-01' AND sold_at >= '2026-12-31';
SELECT harvest_id FROM harvests WHERE taken_on <= '2026-05-31';
