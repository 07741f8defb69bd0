-- dialect: postgres
SELECT apiary_id, keeper_id FROM hives GROUP BY apiary_id, keeper_id; -- want "group.without-aggregate"
SELECT name
FROM hives
WHERE frame_count > 3
GROUP BY name; -- want "group.without-aggregate"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id;
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) > 1;
SELECT apiary_id FROM hives GROUP BY apiary_id ORDER BY MAX(frame_count);
SELECT apiary_id FROM hives GROUP BY apiary_id, keeper_id;
SELECT DISTINCT apiary_id FROM hives GROUP BY apiary_id; -- want "rows.distinct-needless"
SELECT DISTINCT ON (name) name FROM hives GROUP BY name;
SELECT ALL name FROM hives GROUP BY name;
SELECT name FROM hives GROUP BY ROLLUP (name);
SELECT name FROM hives WHERE COUNT(*) > 1 GROUP BY name; -- want "clause.aggregate-in-where"
SELECT random() FROM hives GROUP BY random();
