-- dialect: postgres
SELECT hive_id FROM inspections WHERE inspected_at = '2026-05-01'; -- want "range.instant-equals-day"
SELECT hive_id FROM inspections AS i WHERE NOT (DATE '2026-05-01' = i.inspected_at); -- want "range.instant-equals-day"
SELECT d.at FROM (SELECT sold_at AS at FROM sales) AS d WHERE d.at = '2026-05-01'; -- want "range.instant-equals-day"
SELECT harvest_id FROM harvests WHERE taken_on = '2026-05-01';
SELECT hive_id FROM inspections WHERE inspected_at = '2026-05-01 08:30' OR inspected_at = CURRENT_DATE; -- want "range.instant-equals-day"
