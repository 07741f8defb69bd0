-- dialect: sqlserver
SELECT apiary_id, AVG(frame_count) FROM hives GROUP BY apiary_id; -- want "math.integer-average"
SELECT apiary_id, AVG(frame_count - 1) FROM hives GROUP BY apiary_id; -- want "math.integer-average"
SELECT apiary_id, AVG(CASE WHEN queen_id IS NULL THEN 0 ELSE 1 END) FROM hives GROUP BY apiary_id; -- want "math.integer-average"
SELECT hive_id, AVG(weight_kg) FROM harvests GROUP BY hive_id;
SELECT apiary_id, AVG(CAST(frame_count AS decimal(8, 2))), AVG(1.0 * frame_count), SUM(frame_count) FROM hives GROUP BY apiary_id;
