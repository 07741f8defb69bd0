-- dialect: postgres
SELECT hive_id, h.name FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id; -- want "name.ambiguous-column"
SELECT h.name FROM hives AS h LEFT JOIN inspections AS i ON i.hive_id = h.hive_id WHERE hive_id > 3; -- want "name.ambiguous-column"
SELECT name FROM hives AS h CROSS JOIN queens AS q; -- want "name.ambiguous-column"
SELECT h.hive_id FROM hives AS h JOIN inspections AS i ON hive_id = i.hive_id; -- want "name.ambiguous-column"
SELECT x.n FROM (SELECT 1 AS n) AS x JOIN (SELECT 2 AS n) AS y ON n = 1; -- want "name.ambiguous-column"
SELECT COUNT(*) FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY hive_id; -- want "name.ambiguous-column"
SELECT hive_id, name FROM hives JOIN inspections USING (hive_id); -- want "name.unqualified-column"
SELECT hive_id FROM hives NATURAL JOIN harvests; -- want "join.natural"
SELECT h.hive_id FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id ORDER BY hive_id;
SELECT h.hive_id AS id, mites FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id ORDER BY id; -- want "name.unqualified-column"
SELECT name FROM hives AS h WHERE EXISTS (SELECT 1 FROM inspections WHERE hive_id = h.hive_id);
SELECT name, mites FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id; -- want "name.unqualified-column"
SELECT u.hive_id FROM unknown_one AS u JOIN hives AS h ON h.hive_id = u.hive_id WHERE remark = 'x'; -- want "name.unknown-table"
SELECT h.name FROM hives AS h JOIN unknown_one AS u ON u.x = h.hive_id WHERE frame_count > 3; -- want "name.unknown-table" "name.unqualified-column"
WITH c AS (SELECT hive_id FROM hives) SELECT hive_id FROM c;
UPDATE hives SET name = q.name FROM queens AS q WHERE q.queen_id = hives.queen_id;
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (1, 'a', 1, 1, 1) ON CONFLICT (hive_id) DO UPDATE SET frame_count = hives.frame_count + 1;
SELECT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id JOIN keepers k USING (name); -- want "name.ambiguous-column"
SELECT h.hive_id FROM (hives h CROSS JOIN harvests g) JOIN inspections i USING (hive_id); -- want "name.ambiguous-column"
SELECT i.mites FROM inspections i NATURAL JOIN (hives h CROSS JOIN harvests g); -- want "join.natural" "name.ambiguous-column"
SELECT i.mites FROM hives h JOIN harvests g USING (hive_id) JOIN inspections i USING (hive_id);
SELECT i.mites FROM hives h JOIN harvests g USING (hive_id) JOIN (SELECT hive_id AS hive, mites FROM inspections) i ON i.hive = h.hive_id;
SELECT x.b FROM (SELECT 1 AS a, 2 AS b) x JOIN (SELECT 3 AS a, 4 AS b) y USING (a) JOIN (SELECT 3 AS a, 4 AS b) z USING (b); -- want "name.ambiguous-column"
SELECT x.a FROM (SELECT 1 AS a, 2 AS a) x JOIN (SELECT 3 AS a) y USING (a); -- want "name.ambiguous-column"
SELECT h.name FROM hives h JOIN (harvests g JOIN inspections i USING (hive_id)) USING (hive_id);
SELECT h.name FROM hives h JOIN (harvests g JOIN inspections i ON i.hive_id = g.hive_id) USING (hive_id); -- want "name.ambiguous-column"
SELECT g.weight_kg FROM hives h JOIN inspections i ON i.hive_id = h.hive_id RIGHT JOIN harvests g USING (hive_id); -- want "name.ambiguous-column"
SELECT l.n FROM (VALUES (1), (2)) AS v (n) JOIN LATERAL (SELECT n) AS l ON true;
SELECT l.name FROM hives AS h CROSS JOIN LATERAL (SELECT name) AS l;
SELECT l.n FROM hives AS h CROSS JOIN queens AS q CROSS JOIN LATERAL (SELECT name AS n) AS l; -- want "name.ambiguous-column"
