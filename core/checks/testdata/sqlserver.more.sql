-- dialect: sqlserver, possible
SELECT TOP 3 h.name FROM hives AS h ORDER BY h.name;
SELECT TOP (3) PERCENT h.name FROM hives AS h ORDER BY h.name;
SELECT h.[name] FROM [hives] AS h WHERE h.[frame_count] > 3;
SELECT h.name + ', ' + q.name AS both_names FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id;
SELECT ISNULL(q.colour, 'none') AS colour FROM queens AS q;
SELECT h.name FROM hives AS h WHERE YEAR(h.moved_on) = 2026; -- want "index.function-on-column"
SELECT v.hive_id FROM harvests AS v WHERE YEAR(v.taken_on) = 2026; -- want "index.function-on-column"
SELECT v.hive_id FROM harvests AS v WHERE DATEDIFF(day, v.taken_on, GETDATE()) < 7; -- want "index.function-on-column"
SELECT v.hive_id FROM harvests AS v WHERE v.taken_on >= DATEADD(day, -7, GETDATE());
SELECT v.hive_id FROM harvests AS v WHERE CONVERT(date, v.taken_on) = '2026-05-01';
SELECT h.apiary_id, COUNT(*) AS n FROM hives AS h GROUP BY h.apiary_id HAVING n > 3; -- want "clause.alias-in-having"
SELECT h.apiary_id AS place, COUNT(*) AS n FROM hives AS h GROUP BY place; -- want "clause.alias-in-group-by"
SELECT h.apiary_id, h.name, COUNT(*) AS n FROM hives AS h GROUP BY h.apiary_id; -- want "group.ungrouped-column"
SELECT h.name FROM hives AS h UNION SELECT q.name FROM queens AS q ORDER BY h.name; -- want "name.unknown-alias"
SELECT d.name FROM (SELECT h.name FROM hives AS h ORDER BY h.name) AS d; -- want "clause.order-in-subquery"
SELECT d.name FROM (SELECT TOP 3 h.name FROM hives AS h ORDER BY h.name) AS d;
SELECT d.name FROM (SELECT h.name FROM hives AS h); -- want "name.derived-without-alias"
SELECT h.name FROM hives AS h CROSS APPLY (SELECT TOP 1 v.weight_kg FROM harvests AS v WHERE v.hive_id = h.hive_id ORDER BY v.weight_kg DESC) AS best;
SELECT h.name, best.weight_kg FROM hives AS h OUTER APPLY (SELECT MAX(v.weight_kg) AS weight_kg FROM harvests AS v WHERE v.hive_id = h.hive_id) AS best;
SELECT h.name FROM hives AS h WHERE h.queen_id = NULL; -- want "null.equals"
SELECT h.name FROM hives AS h LIMIT 3; -- want "rows.limit-unordered" "syntax.other-dialect"
SELECT h.name FROM hives AS h WHERE h.name ILIKE 'a%'; -- want "syntax.other-dialect"
SELECT h.name || 'x' AS label FROM hives AS h; -- want "syntax.other-dialect"
SELECT IIF(h.frame_count > 3, 'big', 'small') AS size FROM hives AS h;
SELECT STRING_AGG(h.name, ', ') WITHIN GROUP (ORDER BY h.name) AS names FROM hives AS h;
SELECT h.name, ROW_NUMBER() OVER (PARTITION BY h.apiary_id ORDER BY h.name) AS place FROM hives AS h WHERE ROW_NUMBER() OVER (ORDER BY h.name) = 1; -- want "clause.window-outside"
UPDATE h SET frame_count = 3 FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id WHERE q.colour = 'blue';
DELETE h FROM hives AS h WHERE h.hive_id = 3; -- want "write.parent-delete"
INSERT INTO buyers (buyer_id, name) VALUES (1, 'Ro', 3); -- want "write.value-count"
INSERT INTO buyers (buyer_id, name) OUTPUT inserted.buyer_id VALUES (1, 'Ro');
MERGE INTO hives AS h USING queens AS q ON q.queen_id = h.queen_id WHEN MATCHED THEN UPDATE SET frame_count = 3;
WITH big AS (SELECT h.hive_id FROM hives AS h WHERE h.frame_count > 3) SELECT b.hive_id FROM big AS b OPTION (RECOMPILE);
SELECT h.name FROM hives AS h WITH (NOLOCK) WHERE h.frame_count > 3;
SELECT COUNT(*) FROM hives AS h WHERE COUNT(*) > 3; -- want "clause.aggregate-in-where" "name.unnamed-output"
SELECT h.frame_count, SUM(h.frame_count) OVER () AS total FROM hives AS h;
SELECT lenght(h.name) AS n FROM hives AS h;
SELECT LEN(h.name) AS n FROM hives AS h;
