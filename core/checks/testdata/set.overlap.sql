-- dialect: postgres
-- checks: set.overlap
SELECT h.name FROM hives h WHERE h.frame_count BETWEEN 1 AND 5 UNION ALL SELECT h.name FROM hives h WHERE (h.frame_count BETWEEN 5 AND 9); -- want "set.overlap"
SELECT hive_id FROM harvests WHERE taken_on <= '2026-06-30' UNION ALL SELECT hive_id FROM harvests WHERE taken_on >= '2026-06-01'; -- want "set.overlap"
SELECT h.name FROM hives h WHERE h.frame_count < 5 UNION ALL SELECT h.name FROM hives h WHERE h.frame_count >= 5;
SELECT h.name FROM hives h WHERE h.frame_count BETWEEN 1 AND 4 UNION ALL SELECT h.name FROM hives h WHERE h.frame_count BETWEEN 5 AND 9;
SELECT h.name FROM hives h WHERE h.frame_count > 3 UNION ALL SELECT h.name FROM hives h WHERE h.frame_count > 8;
SELECT h.name FROM hives h WHERE h.frame_count > 3 UNION ALL SELECT q.name FROM queens q WHERE q.bred_in > 3;
SELECT FROM hives WHERE hive_id > 8 UNION ALL SELECT FROM hives WHERE hive_id > 3;
