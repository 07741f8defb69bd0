-- dialect: postgres
-- checks: range.format-part
SELECT to_char(inspected_at, 'yyyy-mm-dd hh24:mm:ss') AS at FROM inspections; -- want "range.format-part"
SELECT to_char(inspected_at, 'DD.MM.YYYY, HH24:MM "h"') AS at FROM inspections; -- want "range.format-part"
SELECT to_char(taken_on, 'YYYY-MI-DD') AS day FROM harvests; -- want "range.format-part"
SELECT to_char(taken_on, 'YYYYMI') AS month FROM harvests; -- want "range.format-part"
SELECT to_timestamp('2026-05-01 08:30', 'YYYY-MM-DD HH:MI') AS at; -- want "range.format-part"
SELECT to_char(taken_on, 'IYYY-MM') AS month FROM harvests; -- want "range.format-part"
SELECT to_char(taken_on, 'YYYY-MM-D') AS day FROM harvests; -- want "range.format-part"
SELECT to_char(inspected_at, 'HH24:MI') AS at, to_char(inspected_at, 'FMHH12:MI am') AS clock FROM inspections;
SELECT to_char(inspected_at, 'HH24MISS') AS at, to_char(taken_on, 'YYYYMMDD') AS day FROM inspections, harvests;
SELECT to_char(taken_on, 'IYYY-IW') AS week, to_char(taken_on, 'IYYY-IW YYYY-MM-DD') AS both FROM harvests;
SELECT to_char(taken_on, 'MM/YYYY') AS month, to_char(taken_on, 'YYYY, Day') AS day, to_char(taken_on, 'D') AS weekday FROM harvests;
SELECT to_char(weight_kg, '990D99MI') AS kg FROM harvests;
SELECT format('%s HH24:MM', name) AS x FROM hives;
