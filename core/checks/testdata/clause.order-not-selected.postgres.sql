-- dialect: postgres
-- checks: clause.order-not-selected
SELECT DISTINCT name FROM hives ORDER BY frame_count; -- want "clause.order-not-selected"
SELECT DISTINCT name FROM hives ORDER BY name;
SELECT DISTINCT name FROM hives ORDER BY 1;
SELECT DISTINCT name FROM hives ORDER BY UPPER(name); -- want "clause.order-not-selected"
SELECT DISTINCT name FROM hives ORDER BY UPPER(frame_count); -- want "clause.order-not-selected"
SELECT DISTINCT name FROM hives ORDER BY name || 'x' DESC; -- want "clause.order-not-selected"
SELECT DISTINCT name FROM hives ORDER BY CASE WHEN name = 'Ash' THEN 0 ELSE 1 END; -- want "clause.order-not-selected"
SELECT DISTINCT name FROM hives ORDER BY CASE WHEN frame_count > 3 THEN 0 ELSE 1 END; -- want "clause.order-not-selected"
SELECT DISTINCT name AS hive FROM hives ORDER BY hive;
SELECT DISTINCT h.name FROM hives AS h ORDER BY name;
SELECT DISTINCT h.name FROM hives AS h ORDER BY h.name, h.frame_count; -- want "clause.order-not-selected"
SELECT DISTINCT * FROM hives ORDER BY frame_count;
SELECT DISTINCT name FROM hives ORDER BY $1;
SELECT DISTINCT name FROM hives ORDER BY (name);
SELECT DISTINCT name FROM hives ORDER BY CAST(frame_count AS text); -- want "clause.order-not-selected"
SELECT DISTINCT name FROM hives ORDER BY name COLLATE "C"; -- want "clause.order-not-selected"
SELECT name FROM hives ORDER BY frame_count;
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY name;
SELECT name FROM hives UNION SELECT colour FROM queens ORDER BY colour; -- want "clause.order-not-selected"
SELECT name FROM hives UNION SELECT name AS n FROM queens ORDER BY n; -- want "clause.order-not-selected"
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY hive_id; -- want "clause.order-not-selected"
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY hives.hive_id;
SELECT name AS a FROM hives UNION ALL SELECT name FROM queens ORDER BY a, b; -- want "clause.order-not-selected"
SELECT * FROM hives UNION ALL SELECT * FROM hives ORDER BY hive_id;
SELECT name FROM hives EXCEPT SELECT name FROM queens UNION SELECT name FROM keepers ORDER BY village; -- want "clause.order-not-selected"
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY UPPER(name); -- want "clause.order-not-selected"
SELECT name FROM hives UNION ALL SELECT name FROM queens ORDER BY CASE WHEN name = 'Ash' THEN 1 ELSE 2 END, 1; -- want "clause.order-not-selected"
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY name COLLATE "C"; -- want "clause.order-not-selected"
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY (name) DESC NULLS LAST, 1;
SELECT u.name FROM (SELECT name FROM hives UNION SELECT name FROM queens) AS u ORDER BY UPPER(u.name);
