-- dialect: sqlite
SELECT name FROM hives WHERE frame_count LIKE '1%'; -- want "match.on-number"
SELECT harvest_id FROM harvests WHERE weight_kg LIKE '12%'; -- want "match.on-number"
SELECT name FROM hives WHERE moved_on LIKE '2026-05%' OR name LIKE '1%' OR CAST(frame_count AS text) LIKE '1%';
