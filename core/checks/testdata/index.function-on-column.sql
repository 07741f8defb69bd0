-- dialect: mysql
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) = 2026; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE 2026 = YEAR(inspected_at); -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) <= 2025 AND mites > 3; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE NOT YEAR(inspected_at) BETWEEN 2024 AND 2025; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE DATE(inspected_at) = '2026-02-28' OR mites IS NULL; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE DATE(inspected_at) > '2026-02-28'; -- want "index.function-on-column"
SELECT i.hive_id FROM hives AS h JOIN inspections AS i ON DATE(i.inspected_at) = h.moved_on; -- want "index.function-on-column"
SELECT name FROM apiaries WHERE UPPER(name) = 'HEATHER RISE'; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE DATE_FORMAT(inspected_at, '%Y-%m') = '2026-05'; -- want "index.function-on-column"
SELECT YEAR(inspected_at) FROM inspections WHERE inspected_at >= '2026-01-01';
SELECT hive_id FROM inspections WHERE hive_id = ABS(-3);
SELECT YEAR(inspected_at) FROM inspections GROUP BY YEAR(inspected_at) HAVING MAX(mites) > 4;
SELECT hive_id FROM inspections WHERE UPPER(remark) = 'QUEEN SEEN';
SELECT hive_id FROM inspections AS i WHERE i.mites > (SELECT AVG(j.mites) FROM inspections AS j WHERE j.hive_id = ABS(i.hive_id));
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) <> 2026;
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) = mites;
SELECT name FROM apiaries ORDER BY UPPER(name);
