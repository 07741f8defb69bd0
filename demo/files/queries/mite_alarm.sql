-- Hives that worried us more than three times this season.
SELECT h.hive_id,
       h.name,
       COUNT(*) AS alarms
FROM hives AS h
JOIN inspections AS i ON i.hive_id = h.hive_id
WHERE i.mites > 6
  AND COUNT(*) > 3
GROUP BY h.hive_id, h.name
ORDER BY alarms DESC;
