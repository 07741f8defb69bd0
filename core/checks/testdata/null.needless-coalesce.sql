-- dialect: postgres
-- checks: null.needless-coalesce
SELECT COALESCE(h.name, 'none') AS hive, coalesce((h.frame_count), 0) AS frames FROM hives h; -- want "null.needless-coalesce" "null.needless-coalesce"
SELECT k.name FROM keepers k WHERE COALESCE(k.joined_on, DATE '2020-01-01') > DATE '2025-01-01'; -- want "null.needless-coalesce"
SELECT apiary_id, COALESCE(COUNT(queen_id), 0) AS queens FROM hives GROUP BY apiary_id; -- want "null.needless-coalesce"
SELECT COALESCE(weight_kg, 0.000) AS kg FROM harvests; -- want "null.needless-coalesce"
SELECT COALESCE(h.name, 'none') AS hive FROM queens q LEFT JOIN hives h ON h.queen_id = q.queen_id;
SELECT COALESCE(SUM(frame_count), 0) AS frames FROM hives;
SELECT COALESCE((SELECT h.frame_count FROM hives h WHERE h.hive_id = 3), 0) AS frames;
SELECT COALESCE(queen_id, hive_id) AS one FROM hives;
SELECT apiary_id, COALESCE(name, 'all') AS name FROM hives GROUP BY ROLLUP (apiary_id, name);
