-- dialect: spark
-- checks: range.format-part
SELECT date_format(taken_on, 'yyyy-mm-dd') AS day FROM harvests; -- want "range.format-part"
SELECT date_format(taken_on, 'YYYY-MM-dd') AS day FROM harvests; -- want "range.format-part"
SELECT to_timestamp('2026-05-01 14:30', 'yyyy-MM-dd hh:mm') AS at; -- want "range.format-part"
SELECT to_date('2026-05-01', 'yyyy-MM-DD') AS day; -- want "range.format-part"
SELECT date_format(inspected_at, "yyyy-MM-dd'T'HH:mm:ss"), date_format(inspected_at, 'h:mm a'), date_format(taken_on, 'D') FROM inspections, harvests;
