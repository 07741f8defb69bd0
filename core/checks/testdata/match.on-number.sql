-- dialect: mariadb
SELECT name FROM hives WHERE moved_on LIKE '2026-05%'; -- want "match.on-number"
SELECT treatment_id FROM treatments AS h WHERE h.treated_on NOT LIKE '2026-%'; -- want "match.on-number"
SELECT name FROM hives WHERE frame_count LIKE '1%' OR moved_on LIKE '2026-05-01%'; -- want "match.on-number" "match.on-number"
SELECT name FROM hives WHERE name LIKE '2026-05%' OR CAST(frame_count AS char) LIKE '1%' OR DATE_FORMAT(moved_on, '%Y') LIKE '2%';
