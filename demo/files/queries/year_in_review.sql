-- Inspections of the year 2026, month by month.
SELECT EXTRACT(MONTH FROM inspected_at) AS month,
       COUNT(*) AS inspections,
       AVG(mites) AS mites
FROM inspections
WHERE EXTRACT(YEAR FROM inspected_at) = 2026
GROUP BY EXTRACT(MONTH FROM inspected_at)
ORDER BY month;
