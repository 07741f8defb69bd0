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
