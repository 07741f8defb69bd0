-- dialect: postgres
SELECT DISTINCT name FROM hives ORDER BY frame_count; -- want "clause.order-not-selected"
SELECT DISTINCT name FROM hives ORDER BY UPPER(name); -- want "clause.order-not-selected"
SELECT DISTINCT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id ORDER BY q.name; -- want "clause.order-not-selected"
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY hive_id; -- want "clause.order-not-selected"
SELECT name AS hive FROM hives UNION SELECT name AS queen FROM queens ORDER BY queen; -- want "clause.order-not-selected"
SELECT DISTINCT name FROM hives ORDER BY name DESC;
SELECT DISTINCT name AS hive FROM hives ORDER BY hive;
SELECT DISTINCT UPPER(name) FROM hives ORDER BY UPPER(name);
SELECT DISTINCT h.name, h.frame_count FROM hives h ORDER BY frame_count, 1;
SELECT name FROM hives ORDER BY frame_count;
SELECT name AS hive FROM hives UNION SELECT name FROM queens ORDER BY hive;
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY 1;
