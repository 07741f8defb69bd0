-- dialect: mariadb
-- checks: clause.order-in-subquery
SELECT name FROM (SELECT name FROM hives ORDER BY name) AS d; -- want "clause.order-in-subquery"
SELECT name FROM (SELECT name FROM hives ORDER BY name LIMIT 3) AS d;
SELECT GROUP_CONCAT(name) FROM (SELECT name FROM hives ORDER BY name) AS d;
SELECT @n := name FROM (SELECT name FROM hives ORDER BY name) AS d;
SELECT ROW_NUMBER() OVER () AS n, name FROM (SELECT name FROM hives ORDER BY name) AS d;
SELECT COUNT(name) FROM (SELECT name FROM hives ORDER BY name) AS d; -- want "clause.order-in-subquery"
WITH d AS (SELECT name FROM hives ORDER BY name) SELECT name FROM d; -- want "clause.order-in-subquery"
WITH d AS (SELECT name FROM hives ORDER BY name LIMIT 1) SELECT name FROM d;
CREATE VIEW by_name AS SELECT name FROM hives ORDER BY name;
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests ORDER BY taken_on); -- want "clause.order-in-subquery"
SELECT name FROM hives AS h WHERE EXISTS (SELECT 1 FROM harvests AS v WHERE v.hive_id = h.hive_id ORDER BY v.taken_on); -- want "clause.order-in-subquery"
SELECT name, (SELECT weight_kg FROM harvests ORDER BY weight_kg DESC LIMIT 1) AS best FROM hives;
SELECT name FROM hives WHERE hive_id = ANY (SELECT hive_id FROM harvests ORDER BY taken_on);
INSERT INTO queens (queen_id, name, bred_in) SELECT queen_id + 900, name, bred_in FROM queens ORDER BY queen_id;
SELECT name FROM hives ORDER BY name;
