-- dialect: sqlite, no schema
SELECT id FROM swarms WHERE seen_on = '2026-02-30'; -- want "range.impossible-date"
SELECT id FROM swarms WHERE seen_on BETWEEN '2026-02-01' AND '2026-02-31'; -- want "range.impossible-date"
SELECT id FROM swarms WHERE seen_on LIKE '2026-02-30%' OR note || '' = '2026-02-30' OR '1-1-1' = seen_on;
