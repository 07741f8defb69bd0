-- dialect: mariadb
-- Queries as careful people write them. Nothing is to be found in them.
SELECT a.name AS apiary, GROUP_CONCAT(h.name ORDER BY h.name SEPARATOR ', ') AS hives
FROM apiaries AS a
JOIN hives AS h ON h.apiary_id = a.apiary_id
GROUP BY a.apiary_id, a.name;

SELECT h.name, IFNULL(MAX(i.mites), 0) AS mites
FROM hives AS h
LEFT JOIN inspections AS i ON i.hive_id = h.hive_id AND i.inspected_at >= '2026-05-01'
GROUP BY h.hive_id, h.name
ORDER BY mites DESC, h.name
LIMIT 5;

SELECT CONCAT_WS(', ', k.name, k.village) AS title FROM keepers AS k WHERE k.joined_on >= '2020-01-01' AND k.joined_on < '2021-01-01';

SELECT t.hive_id, t.treated_on + INTERVAL 14 DAY AS again FROM treatments AS t WHERE t.dose_ml > 2.5;

SELECT x.hive_id FROM (SELECT hive_id FROM harvests ORDER BY weight_kg DESC, harvest_id LIMIT 3) AS x;

SELECT SUM(s.jars * s.price) AS income, SUM(s.price IS NULL) AS unpriced FROM sales AS s;

UPDATE hives AS h
JOIN apiaries AS a ON a.apiary_id = h.apiary_id
SET h.keeper_id = a.keeper_id
WHERE a.altitude_m > 300;

DELETE t FROM treatments AS t JOIN hives AS h ON h.hive_id = t.hive_id WHERE h.frame_count = 0;

INSERT INTO queens (queen_id, name, bred_in) VALUES (901, 'Ada', 2026) ON DUPLICATE KEY UPDATE name = VALUES(name);

SELECT q.name FROM queens AS q WHERE q.colour <=> NULL OR q.colour = 'blue';

SELECT h.name, h.frame_count DIV 2 AS half, POW(h.frame_count, 2) AS room FROM hives AS h WHERE h.frame_count MOD 2 = 1;
