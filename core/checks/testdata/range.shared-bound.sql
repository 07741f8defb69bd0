-- dialect: postgres
-- checks: range.shared-bound
SELECT CASE WHEN mites BETWEEN 0 AND 3 THEN 'few' WHEN mites BETWEEN 4 AND 9 THEN 'some' WHEN mites BETWEEN 9 AND 99 THEN 'many' ELSE '?' END AS mites FROM inspections; -- want "range.shared-bound"
SELECT CASE WHEN (dose_ml) BETWEEN 0 AND 4 THEN 'low' WHEN dose_ml BETWEEN 5 AND 9 THEN 'high' END AS dose FROM treatments; -- want "range.shared-bound"
SELECT SUM(CASE WHEN mites > 5 THEN 1 WHEN mites < 5 THEN 2 END) AS n FROM inspections; -- want "range.shared-bound"
SELECT CASE WHEN mites < 5 THEN 'few' WHEN mites > 5 THEN 'many' ELSE 'five' END AS mites FROM inspections;
SELECT CASE WHEN dose_ml BETWEEN 0 AND 4 THEN 'low' WHEN dose_ml BETWEEN 5 AND 9 THEN 'high' ELSE 'between' END AS dose FROM treatments;
SELECT CASE WHEN mites BETWEEN 0 AND 4 THEN 'low' WHEN mites BETWEEN 5 AND 9 THEN 'high' END AS m FROM inspections;
SELECT CASE WHEN mites NOT BETWEEN 0 AND 5 THEN 'out' WHEN mites BETWEEN 5 AND 9 THEN 'high' END AS m FROM inspections;
