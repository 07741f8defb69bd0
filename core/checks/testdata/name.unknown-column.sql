-- dialect: postgres
SELECT nmae FROM hives; -- want "name.unknown-column"
SELECT h.nam FROM hives AS h; -- want "name.unknown-column"
SELECT h.name, weight_kg FROM hives AS h; -- want "name.unknown-column"
SELECT name FROM hives WHERE apiry_id = 3; -- want "name.unknown-column"
SELECT name FROM hives ORDER BY frame_cont; -- want "name.unknown-column"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING MAX(weight) > 3; -- want "name.unknown-column"
SELECT d.total FROM (SELECT hive_id, SUM(weight_kg) AS sum_kg FROM harvests GROUP BY hive_id) AS d; -- want "name.unknown-column"
WITH heavy (id) AS (SELECT hive_id FROM harvests) SELECT hive_id FROM heavy; -- want "name.unknown-column"
SELECT h.name FROM hives AS h WHERE EXISTS (SELECT 1 FROM harvests AS g WHERE g.hive = h.hive_id); -- want "name.unknown-column"
SELECT h.name FROM hives AS h JOIN queens AS q ON q.id = h.queen_id; -- want "name.unknown-column"
UPDATE hives SET name = nam || '!' WHERE hive_id = 3; -- want "name.unknown-column"
DELETE FROM sales WHERE sal_id = 3; -- want "name.unknown-column"
INSERT INTO sales (sale_id, buyer_id, harvest_id, sold_at, jars) VALUES (90, 1, 1, now(), 3) RETURNING sale; -- want "name.unknown-column"
SELECT v.b FROM (VALUES (1, 2)) AS v (a, c); -- want "name.unknown-column"
SELECT ctid, tableoid, name FROM hives;
SELECT CURRENT_DATE, LOCALTIMESTAMP, CURRENT_USER, name FROM hives;
SELECT hives FROM hives;
SELECT COUNT(*) AS hive_count FROM hives ORDER BY hive_count;
SELECT name AS label FROM hives GROUP BY label;
SELECT d.label FROM (SELECT name AS label FROM hives) AS d;
SELECT x.i FROM generate_series(1, 3) AS x (i);
SELECT t.n FROM hives AS h CROSS JOIN LATERAL (SELECT h.frame_count + 1 AS n) AS t;
SELECT name FROM hives JOIN harvests USING (hive_id) WHERE hive_id = 3; -- want "name.unqualified-column"
SELECT (SELECT MAX(weight_kg) FROM harvests WHERE hive_id = h.hive_id AND h.frame_count > moisture) FROM hives AS h;
WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 5) SELECT i FROM n;
MERGE INTO hives AS h USING queens AS q ON q.queen_id = h.queen_id WHEN MATCHED THEN UPDATE SET name = q.nam; -- want "name.unknown-column"
CREATE FUNCTION twice(x integer) RETURNS integer LANGUAGE sql BEGIN ATOMIC SELECT x * 2; END;
SELECT 1 FROM hives JOIN harvests USING (hive); -- want "name.unknown-column"
SELECT apiary_id + 1 AS a, COUNT(*) FROM hives GROUP BY apiary_id, a - 1; -- want "clause.alias-in-group-by"
INSERT INTO buyers (buyer_id, nmae) VALUES (900, 'Linden'); -- want "name.unknown-column"
INSERT INTO buyers (buyer_id, name) VALUES (900, 'Linden');
UPDATE hives SET frame_counts = 3, name = 'Ash' WHERE hive_id = 3; -- want "name.unknown-column"
UPDATE hives AS h SET keeper = 3 FROM keepers AS k WHERE k.keeper_id = h.keeper_id; -- want "name.unknown-column"
