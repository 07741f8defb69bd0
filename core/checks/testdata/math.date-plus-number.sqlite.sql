-- dialect: sqlite
SELECT moved_on + 30 AS due FROM hives; -- want "math.date-plus-number"
SELECT name FROM hives WHERE moved_on - frame_count < '2026-06-01'; -- want "math.date-plus-number"
SELECT 7 + inspected_at AS due FROM inspections; -- want "math.date-plus-number"
SELECT date(moved_on, '+30 days') AS due, julianday(moved_on) + 30 AS n, frame_count + 30 AS m FROM hives;
SELECT moved_on + 0 AS n, strftime('%Y', moved_on) + 1 AS y FROM hives;
