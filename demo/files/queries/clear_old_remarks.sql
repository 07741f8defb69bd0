-- Remarks older than two seasons only clutter the list.
UPDATE inspections
SET remark = NULL
WHERE inspected_at < '2025-01-01'
  AND remark IS NOT NULL;
