-- dialect: sqlserver
SELECT moved_on + 30 AS due FROM hives; -- want "math.date-plus-number"
SELECT name FROM hives WHERE moved_on - frame_count < '20260601'; -- want "math.date-plus-number"
SELECT DATEADD(day, 30, moved_on) AS due FROM hives;
SELECT GETDATE() - 7 AS due FROM hives;
SELECT inspected_at + 1 AS due FROM inspections;
