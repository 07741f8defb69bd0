-- dialect: postgres
SELECT apiary_id, COUNT(queen_id) / COUNT(*) FROM hives GROUP BY apiary_id; -- want "math.integer-division"
SELECT apiary_id, (COUNT(queen_id) + 1) / (COUNT(*)) FROM hives GROUP BY apiary_id; -- want "math.integer-division"
SELECT apiary_id, COUNT(queen_id) * 1.0 / COUNT(*) FROM hives GROUP BY apiary_id;
SELECT apiary_id, COUNT(*) / 10, frame_count / 2 FROM hives GROUP BY apiary_id, frame_count;
SELECT ROUND(frame_count / hive_id, 2) FROM hives; -- want "math.integer-division"
SELECT ROUND(frame_count / 2), FLOOR(frame_count / 3), CAST(frame_count / 3 AS integer) FROM hives;
SELECT CAST(frame_count / 3 AS numeric(8, 2)) FROM hives; -- want "math.integer-division"
SELECT 100 * (frame_count / hive_id), frame_count * 100 / hive_id FROM hives; -- want "math.integer-division"
SELECT name FROM hives WHERE frame_count / 3 > 0.5; -- want "math.integer-division"
SELECT name FROM hives WHERE frame_count / 3 > 5.0 OR frame_count / 3.0 > 0.5;
SELECT SUM(weight_kg) / COUNT(*) FROM harvests;
SELECT n / d FROM (SELECT COUNT(*) AS n, COUNT(queen_id) AS d FROM hives) x WHERE d > 0;
