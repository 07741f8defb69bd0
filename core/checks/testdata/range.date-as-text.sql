-- dialect: postgres
-- checks: range.date-as-text
SELECT hive_id FROM harvests WHERE '31/12/2025' < to_char(taken_on, 'DD/MM/YYYY'); -- want "range.date-as-text"
SELECT hive_id FROM harvests WHERE to_char(taken_on, 'MM-DD-YY') BETWEEN '01-01-26' AND '05-31-26'; -- want "range.date-as-text"
SELECT MIN(to_char(taken_on, 'Mon YYYY')) AS first FROM harvests; -- want "range.date-as-text"
SELECT hive_id FROM harvests ORDER BY weight_kg, to_char(taken_on, 'DD.MM.YYYY') DESC; -- want "range.date-as-text"
SELECT hive_id FROM harvests WHERE to_char(taken_on, 'MM-DD') > '05-01';
SELECT hive_id FROM harvests WHERE to_char(taken_on, 'DD.MM.YYYY') IN ('01.05.2026');
SELECT hive_id FROM harvests ORDER BY to_char(taken_on, 'YYYYMMDD HH24:MI');
SELECT hive_id FROM harvests WHERE to_char(weight_kg, '999.99') > ' 12.00';
SELECT to_char(taken_on, 'DD.MM.YYYY') AS day, COUNT(*) AS n FROM harvests GROUP BY to_char(taken_on, 'DD.MM.YYYY');
