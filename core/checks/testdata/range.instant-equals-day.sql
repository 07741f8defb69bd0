-- dialect: mariadb
SELECT hive_id FROM inspections WHERE inspected_at = '2026-05-01'; -- want "range.instant-equals-day"
SELECT hive_id FROM inspections AS i WHERE mites > 3 OR DATE '2026-05-01' = (i.`inspected_at`); -- want "range.instant-equals-day"
SELECT harvest_id FROM harvests WHERE taken_on = '2026-05-01';
SELECT hive_id FROM inspections WHERE inspected_at = '2026-05-01 08:30:00' OR inspected_at <> '2026-05-01';
