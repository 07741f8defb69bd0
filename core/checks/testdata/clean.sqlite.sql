-- dialect: sqlite
-- Queries as careful people write them. Nothing is to be found in them.
SELECT h.name, COUNT(i.inspection_id) AS visits, TOTAL(i.mites) AS mites
FROM hives AS h
LEFT JOIN inspections AS i ON i.hive_id = h.hive_id
GROUP BY h.hive_id, h.name
ORDER BY visits DESC, h.name;

SELECT strftime('%Y-%m', g.taken_on) AS month, SUM(g.weight_kg) AS kg FROM harvests AS g GROUP BY month ORDER BY month;

SELECT h.name FROM hives AS h WHERE h.name LIKE 'a%' ORDER BY h.name COLLATE NOCASE, h.hive_id LIMIT 5;

SELECT q.name, ROUND(AVG(h.frame_count), 1) AS frames FROM queens AS q JOIN hives AS h ON h.queen_id = q.queen_id GROUP BY q.queen_id, q.name;

INSERT INTO queens (queen_id, name, bred_in) VALUES (901, 'Ada', 2026) ON CONFLICT (queen_id) DO NOTHING;

UPDATE hives SET moved_on = date('now') WHERE hive_id = 3;

SELECT k.name || coalesce(' of ' || k.village, '') AS title FROM keepers AS k;

SELECT h.name, RANK() OVER (PARTITION BY h.apiary_id ORDER BY h.frame_count DESC) AS place FROM hives AS h;
