-- dialect: postgres
-- checks: case.same-result
SELECT CASE apiary_id WHEN 1 THEN frame_count WHEN 2 THEN (frame_count) ELSE hives.frame_count END AS x FROM hives; -- want "case.same-result"
SELECT CASE apiary_id WHEN 1 THEN frame_count WHEN 2 THEN hive_id ELSE frame_count END AS x FROM hives;
SELECT CASE apiary_id WHEN 1 THEN random() ELSE random() END AS x FROM hives;
SELECT CASE apiary_id WHEN 1 THEN NULL END AS x FROM hives;
