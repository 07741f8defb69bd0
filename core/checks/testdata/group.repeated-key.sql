-- dialect: postgres
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id, apiary_id; -- want "group.repeated-key"
SELECT h.apiary_id, COUNT(*) FROM hives h GROUP BY h.apiary_id, keeper_id, apiary_id; -- want "group.repeated-key"
SELECT name FROM hives ORDER BY name, frame_count, name DESC; -- want "group.repeated-key"
SELECT name FROM hives ORDER BY frame_count + 1, frame_count + 1; -- want "group.repeated-key"
SELECT apiary_id, keeper_id, COUNT(*) FROM hives GROUP BY apiary_id, keeper_id;
SELECT name FROM hives ORDER BY name, frame_count;
SELECT name FROM hives ORDER BY random(), random();
SELECT name FROM hives ORDER BY ? + frame_count, ? + frame_count;
SELECT COUNT(*) FROM hives GROUP BY ROLLUP (name, name);
SELECT name, ROW_NUMBER() OVER (PARTITION BY name ORDER BY frame_count, frame_count) AS place FROM hives;
