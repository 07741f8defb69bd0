-- From the old site, which ran on MariaDB.
SELECT `hive_id`, IFNULL(`remark`, '-') AS remark
FROM `inspections`
WHERE YEAR(`inspected_at`) = 2025
ORDER BY `inspected_at`;

# The new-year round
SELECT `hive_id`, `mites`
FROM `inspections`
WHERE DATE(`inspected_at`) = '2024-12-31'
   OR DATE(`inspected_at`) = '2025-01-01';
