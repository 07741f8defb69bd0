-- dialect: postgres, possible
SELECT UPER(name) AS n, LENGHT(name) AS l, bees_of(name) AS b FROM hives; -- want "name.unknown-function" "name.unknown-function" "name.unknown-function"
SELECT UPPER(name) AS n, generate_series(1, 3) AS g, somewhere.uper(name) AS p FROM hives;
CREATE FUNCTION swarm_size(n integer) RETURNS integer LANGUAGE sql AS 'SELECT n * 2';
SELECT swarm_size(frame_count) AS s, swarm_sise(frame_count) AS t FROM hives; -- want "name.unknown-function"
SELECT COUNT(*) AS n, RANK() OVER (ORDER BY name) AS r, CURRENT_DATE AS d, EXTRACT(DAY FROM moved_on) AS e FROM hives GROUP BY name, moved_on;
