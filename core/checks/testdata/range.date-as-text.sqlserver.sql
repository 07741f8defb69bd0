-- dialect: sqlserver
-- checks: range.date-as-text
SELECT hive_id FROM harvests ORDER BY FORMAT(taken_on, 'dd/MM/yyyy'); -- want "range.date-as-text"
SELECT hive_id FROM harvests WHERE FORMAT(taken_on, 'yyyy-MM-dd') > '2026-05-01';
SELECT hive_id FROM inspections ORDER BY FORMAT(inspected_at, 'HH:mm');
