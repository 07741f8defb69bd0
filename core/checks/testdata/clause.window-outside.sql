-- dialect: postgres
SELECT name FROM hives WHERE ROW_NUMBER() OVER (ORDER BY name) <= 3; -- want "clause.window-outside"
SELECT name FROM hives WHERE frame_count > 3 AND RANK() OVER (ORDER BY name) = 1; -- want "clause.window-outside"
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING RANK() OVER (ORDER BY COUNT(*)) = 1; -- want "clause.window-outside"
SELECT COUNT(*) FROM hives GROUP BY NTILE(4) OVER (ORDER BY name); -- want "clause.window-outside"
SELECT 1 FROM hives h JOIN queens q ON ROW_NUMBER() OVER (ORDER BY h.name) = q.queen_id; -- want "clause.window-outside"
SELECT name FROM hives ORDER BY ROW_NUMBER() OVER (ORDER BY frame_count);
SELECT name, RANK() OVER (ORDER BY frame_count) FROM hives WHERE frame_count > 3;
SELECT name FROM (SELECT name, ROW_NUMBER() OVER (ORDER BY name) AS n FROM hives) AS h WHERE n <= 3;
SELECT name FROM hives WHERE hive_id IN (SELECT FIRST_VALUE(hive_id) OVER (ORDER BY weight_kg DESC) FROM harvests);
SELECT name, SUM(ROW_NUMBER() OVER (ORDER BY frame_count)) AS n, SUM(COUNT(*)) OVER (ORDER BY name) AS c FROM hives GROUP BY name; -- want "clause.window-outside"
SELECT apiary_id, RANK() OVER (ORDER BY apiary_id) AS r FROM hives GROUP BY apiary_id, r; -- want "clause.window-outside"
SELECT apiary_id, RANK() OVER (ORDER BY apiary_id) AS r FROM hives GROUP BY apiary_id ORDER BY r;
