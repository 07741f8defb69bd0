-- dialect: sqlite
-- checks: range.format-part
SELECT strftime('%H:%m', inspected_at) AS at FROM inspections; -- want "range.format-part"
SELECT strftime('%d.%M.%Y', taken_on) AS day FROM harvests; -- want "range.format-part"
SELECT strftime('%Y-%m-%d %H:%M:%S', inspected_at), strftime('%M:%S', inspected_at) FROM inspections;
