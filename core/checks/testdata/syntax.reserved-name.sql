-- dialect: mariadb
SELECT rows FROM (SELECT 1 AS `rows`) AS o; -- want "syntax.reserved-name"
SELECT key FROM (SELECT 1 AS `key`) AS o ORDER BY 1; -- want "syntax.reserved-name"
CREATE TABLE swarms (swarm_id integer PRIMARY KEY, range integer); -- want "syntax.reserved-name"
INSERT INTO swarms (swarm_id, range) VALUES (1, 2); -- want "syntax.reserved-name"
SELECT o.rows FROM (SELECT 1 AS `rows`) AS o;
SELECT name, status, date, user FROM (SELECT 1 AS name, 2 AS status, 3 AS date, 4 AS user) AS o;
SELECT CURRENT_DATE, LEFT(name, 2), REPLACE(name, 'a', 'b') FROM hives;
SELECT IF(hive_id > 1, 'a', 'b') AS remark, INTERVAL(3, 1, 2) FROM hives;
