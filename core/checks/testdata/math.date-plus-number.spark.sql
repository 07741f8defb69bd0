-- dialect: spark
SELECT inspected_at + 30 AS due FROM inspections; -- want "math.date-plus-number"
SELECT hive_id FROM inspections WHERE inspected_at - mites < DATE '2026-06-01'; -- want "math.date-plus-number"
SELECT moved_on + 30 AS due FROM hives;
SELECT inspected_at + INTERVAL 30 DAYS AS due FROM inspections;
