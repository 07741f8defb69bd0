-- dialect: sqlserver

SELECT name FROM hives WHERE moved_on LIKE '2026-05%'; -- want "match.on-number"
SELECT name FROM hives WHERE frame_count LIKE '1%'; -- want "match.on-number"
SELECT harvest_id FROM harvests AS g WHERE g.weight_kg NOT LIKE '1_.5'; -- want "match.on-number"
SELECT name FROM hives WHERE name LIKE '2026-05%';
SELECT name FROM hives WHERE CAST(frame_count AS char(4)) LIKE '1%';
CREATE TABLE scales (scale_id int PRIMARY KEY, read_at datetime NOT NULL);
SELECT scale_id FROM scales WHERE read_at LIKE '2026-05%'; -- want "match.on-number"
