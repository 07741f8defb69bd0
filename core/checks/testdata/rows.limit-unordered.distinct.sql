-- dialect: postgres, possible
-- checks: rows.limit-unordered
SELECT DISTINCT ON (i.hive_id) i.hive_id, i.mites FROM inspections AS i; -- want "rows.limit-unordered"
SELECT DISTINCT ON (i.hive_id) i.hive_id, i.mites FROM inspections AS i ORDER BY i.hive_id, i.inspected_at DESC;
SELECT DISTINCT ON (hive_id) hive_id FROM inspections;
SELECT DISTINCT ON (inspection_id) inspection_id, mites FROM inspections;
SELECT DISTINCT ON (hive, mites) i.hive_id AS hive, mites FROM inspections AS i;
SELECT DISTINCT ON (hive_id) hive_id, MAX(mites) AS most FROM inspections GROUP BY hive_id;
