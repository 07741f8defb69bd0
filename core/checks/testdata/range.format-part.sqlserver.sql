-- dialect: sqlserver
-- checks: range.format-part
SELECT FORMAT(taken_on, 'dd.mm.yyyy') AS day FROM harvests; -- want "range.format-part"
SELECT FORMAT(inspected_at, 'yyyy-MM-dd HH:MM') AS at FROM inspections; -- want "range.format-part"
SELECT FORMAT(inspected_at, 'hh:mm') AS at FROM inspections; -- want "range.format-part"
SELECT FORMAT(taken_on, 'YYYY-MM') AS month FROM harvests; -- want "range.format-part"
SELECT FORMAT(inspected_at, 'HH:mm'), FORMAT(inspected_at, 'hh:mm tt'), FORMAT(taken_on, 'd. MMMM yyyy'), FORMAT(taken_on, 'D') FROM inspections, harvests;
SELECT FORMAT(hive_id, 'D5'), FORMAT(frame_count, 'N0'), FORMAT(taken_on, 'yyyy "MM" MM') FROM hives, harvests;
