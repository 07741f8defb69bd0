-- dialect: postgres
-- checks: case.unreachable
SELECT CASE WHEN h.frame_count BETWEEN 1 AND 9 THEN 'a' WHEN h.frame_count IN (3, 4) THEN 'b' ELSE 'c' END AS x FROM hives h; -- want "case.unreachable"
SELECT CASE WHEN name LIKE 'A%' THEN 1 WHEN name LIKE ('A%') THEN 2 END AS x FROM hives; -- want "case.unreachable"
SELECT CASE (frame_count) WHEN 3 THEN 1 WHEN 4 THEN 2 WHEN (3) THEN 3 END AS x FROM hives; -- want "case.unreachable"
SELECT CASE WHEN queen_id IS NOT NULL THEN 1 WHEN queen_id = 3 THEN 2 END AS x FROM hives; -- want "case.unreachable"
SELECT CASE WHEN frame_count > 8 THEN 1 WHEN frame_count > 3 THEN 2 WHEN queen_id > 8 THEN 3 END AS x FROM hives;
SELECT CASE WHEN frame_count > random() * 10 THEN 1 WHEN frame_count > 3 THEN 2 END AS x FROM hives;
