-- dialect: postgres
SELECT LEFT(name, 1) AS name, COUNT(*) AS n FROM hives GROUP BY name; -- want "name.alias-shadows-column"
SELECT CAST(sold_at AS date) AS sold_at, SUM(jars) AS jars FROM sales GROUP BY sold_at ORDER BY sold_at; -- want "name.alias-shadows-column"
SELECT h.frame_count / 2 AS frame_count, a.name, COUNT(*) AS n FROM hives AS h JOIN apiaries AS a ON a.apiary_id = h.apiary_id GROUP BY frame_count, a.name; -- want "name.alias-shadows-column"
SELECT UPPER(name) AS name FROM hives ORDER BY LOWER(name), name; -- want "name.alias-shadows-column"
-- The column is what the alias says, or the alias is not looked for.
SELECT name AS name, COUNT(*) AS n FROM hives GROUP BY name;
SELECT COUNT(*) AS name, MAX(frame_count) AS top FROM hives GROUP BY name;
SELECT UPPER(h.name) AS name, COUNT(*) AS n FROM hives AS h GROUP BY h.name;
SELECT UPPER(name) AS name FROM hives ORDER BY name;
SELECT UPPER(name) AS name FROM hives WHERE name = 'Ash';
SELECT hive_id, SUM(weight_kg) AS weight_kg FROM harvests GROUP BY hive_id ORDER BY SUM(weight_kg);
SELECT COALESCE(remark, 'nothing was written down about this inspection of the hive') AS remark, COUNT(*) AS n FROM inspections GROUP BY remark; -- want "name.alias-shadows-column"
