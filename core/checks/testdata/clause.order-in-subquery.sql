-- dialect: postgres
SELECT h.name FROM (SELECT name FROM hives ORDER BY name) AS h; -- want "clause.order-in-subquery"
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests ORDER BY taken_on); -- want "clause.order-in-subquery"
WITH ordered AS (SELECT name FROM hives ORDER BY name) SELECT name FROM ordered; -- want "clause.order-in-subquery"
CREATE VIEW ordered_hives AS SELECT name FROM hives ORDER BY name; -- want "clause.order-in-subquery"
SELECT name FROM hives h WHERE EXISTS (SELECT 1 FROM harvests g WHERE g.hive_id = h.hive_id ORDER BY g.taken_on); -- want "clause.order-in-subquery"
SELECT h.name FROM (SELECT name FROM hives ORDER BY name LIMIT 3) AS h;
SELECT h.name FROM (SELECT DISTINCT ON (apiary_id) name FROM hives ORDER BY apiary_id, name) AS h;
SELECT STRING_AGG(h.name, ', ') FROM (SELECT name FROM hives ORDER BY name) AS h;
SELECT name FROM hives ORDER BY name;
SELECT (SELECT name FROM queens ORDER BY bred_in DESC LIMIT 1);
