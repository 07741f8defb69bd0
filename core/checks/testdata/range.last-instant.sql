-- dialect: postgres, possible
-- checks: range.last-instant
SELECT sale_id FROM sales s WHERE s.sold_at BETWEEN TIMESTAMP '2026-05-01' AND TIMESTAMP '2026-05-31 23:59:59'; -- want "range.last-instant"
SELECT sale_id FROM sales s WHERE NOT s.sold_at <= '2026-12-31T23:59:59.999'; -- want "range.last-instant"
SELECT sale_id FROM sales s WHERE NOT s.sold_at <= '2026-12-31T23:59:59.999999';
SELECT sale_id FROM sales s WHERE s.sold_at < '2026-05-31 23:59:59';
SELECT sale_id FROM sales s WHERE s.sold_at <= '2026-05-31 23:59:00';
SELECT harvest_id FROM harvests WHERE taken_on <= '2026-05-31';
