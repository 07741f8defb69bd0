-- dialect: sqlite
SELECT hive_id FROM inspections WHERE inspected_at BETWEEN '2026-05-01' AND '2026-05-31'; -- want "range.last-day"
SELECT sale_id FROM sales WHERE '2026-12-31' >= sold_at; -- want "range.last-day"
SELECT sale_id FROM sales WHERE sold_at < '2027-01-01';
SELECT harvest_id FROM harvests WHERE taken_on BETWEEN '2026-05-01' AND '2026-05-31';
