-- round # of the season
SELECT h.hive_id, h.name, COUNT(i.inspection_id) AS rounds, AVG(i.mites) AS mites
FROM hives AS h
LEFT JOIN inspections AS i ON i.hive_id = h.hive_id AND i.inspected_at >= '2026-01-01'
WHERE h.apiary_id IN (1, 2, #) AND (h.moved_on IS NULL OR h.moved_on < '2026-05-01')
GROUP BY h.hive_id, h.name
HAVING COUNT(i.inspection_id) > 3
ORDER BY mites DESC, h.name;
INSERT INTO harvests (harvest_id, hive_id, taken_on, weight_kg) VALUES (#, 7, '2026-07-14', 12.75);
UPDATE hives SET moved_on = '2026-04-11', frame_count = frame_count + 2 WHERE hive_id = #;
