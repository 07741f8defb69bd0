-- dialect: postgres, possible
-- checks: clause.alias-in-order-expression, clause.cte-order, clause.distinct-on-order, clause.having-ungrouped, clause.subquery-in-group-by, clause.aggregate-in-join, clause.aggregate-in-group-by, clause.nested-aggregate, clause.alias-in-having, clause.alias-in-select, clause.alias-in-where, clause.alias-in-group-by, clause.order-in-branch, clause.window-outside, clause.aggregate-in-where, clause.aggregate-in-write
SELECT name, frame_count * 2 AS doubled FROM hives ORDER BY doubled + 1; -- want "clause.alias-in-order-expression"
SELECT name, frame_count * 2 AS doubled FROM hives ORDER BY doubled;
SELECT name, frame_count * 2 AS doubled FROM hives ORDER BY -doubled; -- want "clause.alias-in-order-expression"
SELECT name AS label, frame_count FROM hives ORDER BY UPPER(label), frame_count; -- want "clause.alias-in-order-expression"
SELECT name AS label, frame_count FROM hives ORDER BY label DESC, frame_count + 1;
SELECT frame_count * 2 AS hive_id FROM hives ORDER BY hive_id + 1;
SELECT frame_count * 2 AS doubled FROM hives WHERE doubled > 10; -- want "clause.alias-in-where"
SELECT frame_count * 2 AS frame_count FROM hives WHERE frame_count > 10;
SELECT frame_count * 2 AS doubled FROM hives WHERE hive_id IN (SELECT doubled FROM queens);
SELECT frame_count * 2 AS doubled, doubled + 1 AS more FROM hives; -- want "clause.alias-in-select"
SELECT frame_count * 2 AS name, name FROM hives;
SELECT COUNT(*) AS n, n * 2 FROM hives; -- want "clause.alias-in-select"
SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id HAVING n > 3; -- want "clause.alias-in-having"
SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id HAVING COUNT(*) > 3;
SELECT apiary_id AS place, COUNT(*) FROM hives GROUP BY place;
SELECT apiary_id AS place, COUNT(*) FROM hives GROUP BY place + 1; -- want "clause.alias-in-group-by"
SELECT apiary_id AS place, COUNT(*) FROM hives GROUP BY apiary_id HAVING place > 3; -- want "clause.alias-in-having"
SELECT apiary_id, COUNT(*) FROM hives WHERE COUNT(*) > 3 GROUP BY apiary_id; -- want "clause.aggregate-in-where"
SELECT apiary_id FROM hives WHERE frame_count = MAX(frame_count); -- want "clause.aggregate-in-where"
SELECT apiary_id FROM hives WHERE frame_count = (SELECT MAX(frame_count) FROM hives);
SELECT a.name FROM apiaries AS a WHERE EXISTS (SELECT 1 FROM hives AS h WHERE h.apiary_id = a.apiary_id HAVING COUNT(*) > 2);
SELECT a.name FROM apiaries AS a WHERE (SELECT COUNT(*) FROM hives AS h WHERE h.apiary_id = a.apiary_id) > 2;
SELECT h.name FROM hives AS h JOIN harvests AS v ON v.hive_id = h.hive_id AND SUM(v.weight_kg) > 10; -- want "clause.aggregate-in-join"
SELECT h.name FROM hives AS h JOIN (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS v ON v.hive_id = h.hive_id AND v.kg > 10;
SELECT h.name FROM hives AS h LEFT JOIN harvests AS v ON v.hive_id = h.hive_id AND v.weight_kg = (SELECT MAX(weight_kg) FROM harvests);
SELECT SUM(weight_kg) FROM harvests GROUP BY SUM(weight_kg); -- want "clause.aggregate-in-group-by"
SELECT COUNT(*) FROM harvests GROUP BY weight_kg + MAX(moisture); -- want "clause.aggregate-in-group-by"
SELECT COUNT(*) FROM harvests GROUP BY (SELECT 1); -- want "clause.subquery-in-group-by"
SELECT hive_id, COUNT(*) FROM harvests GROUP BY hive_id, (SELECT MIN(hive_id) FROM hives); -- want "clause.subquery-in-group-by"
SELECT MAX(COUNT(*)) FROM harvests GROUP BY hive_id; -- want "clause.nested-aggregate"
SELECT SUM(AVG(weight_kg) + 1) FROM harvests GROUP BY hive_id; -- want "clause.nested-aggregate"
SELECT MAX(n) FROM (SELECT COUNT(*) AS n FROM harvests GROUP BY hive_id) AS counts;
SELECT hive_id, SUM(COUNT(*)) OVER () FROM harvests GROUP BY hive_id;
SELECT hive_id, MAX(SUM(weight_kg)) OVER (ORDER BY COUNT(*)) FROM harvests GROUP BY hive_id;
SELECT COUNT(ROW_NUMBER() OVER (ORDER BY hive_id)) FROM harvests; -- want "clause.window-outside"
SELECT MAX((SELECT COUNT(*) FROM queens)) FROM harvests;
SELECT hive_id, ROW_NUMBER() OVER (ORDER BY hive_id) AS place FROM harvests WHERE ROW_NUMBER() OVER (ORDER BY hive_id) < 3; -- want "clause.window-outside"
SELECT hive_id FROM harvests GROUP BY hive_id HAVING RANK() OVER (ORDER BY hive_id) < 3; -- want "clause.window-outside"
SELECT hive_id FROM harvests GROUP BY ROW_NUMBER() OVER (ORDER BY hive_id); -- want "clause.window-outside"
SELECT hive_id FROM harvests ORDER BY ROW_NUMBER() OVER (ORDER BY hive_id DESC);
SELECT x.hive_id FROM (SELECT hive_id, ROW_NUMBER() OVER (ORDER BY taken_on) AS place FROM harvests) AS x WHERE x.place < 3;
SELECT h.name FROM hives AS h JOIN harvests AS v ON ROW_NUMBER() OVER (ORDER BY v.hive_id) = h.hive_id; -- want "clause.window-outside"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING frame_count > 3;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING MAX(frame_count) > 3;
SELECT COUNT(*) FROM hives HAVING frame_count > 3;
SELECT COUNT(*) FROM hives HAVING MIN(frame_count) > 3;
SELECT hive_id, name FROM hives GROUP BY hive_id HAVING frame_count > 3;
SELECT DISTINCT ON (hive_id) hive_id, taken_on FROM harvests ORDER BY taken_on; -- want "clause.distinct-on-order"
SELECT DISTINCT ON (hive_id) hive_id, taken_on FROM harvests ORDER BY hive_id, taken_on DESC;
SELECT DISTINCT ON (hive_id, taken_on) hive_id, taken_on FROM harvests ORDER BY taken_on, hive_id;
SELECT DISTINCT ON (hive_id, taken_on) hive_id, weight_kg FROM harvests ORDER BY hive_id, weight_kg; -- want "clause.distinct-on-order"
SELECT DISTINCT ON (hive_id) hive_id, taken_on FROM harvests;
SELECT name FROM hives ORDER BY name UNION SELECT name FROM queens; -- want "clause.order-in-branch"
(SELECT name FROM hives ORDER BY name LIMIT 1) UNION SELECT name FROM queens;
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY name;
SELECT name FROM hives LIMIT 3 UNION ALL SELECT name FROM queens; -- want "clause.order-in-branch"
WITH strong AS (SELECT hive_id FROM weak), weak AS (SELECT hive_id FROM hives) SELECT hive_id FROM strong; -- want "clause.cte-order"
WITH weak AS (SELECT hive_id FROM hives), strong AS (SELECT hive_id FROM weak) SELECT hive_id FROM strong;
WITH strong AS (SELECT hive_id FROM hives), hives AS (SELECT hive_id FROM strong) SELECT hive_id FROM hives;
UPDATE hives SET frame_count = MAX(frame_count); -- want "clause.aggregate-in-write"
UPDATE hives SET frame_count = (SELECT MAX(frame_count) FROM hives) WHERE hive_id = -1;
UPDATE hives SET frame_count = 3 WHERE COUNT(*) > 3; -- want "clause.aggregate-in-where"
DELETE FROM hives WHERE hive_id = MAX(hive_id); -- want "clause.aggregate-in-where"
DELETE FROM sales WHERE sale_id = (SELECT MAX(sale_id) + 1 FROM sales);
INSERT INTO keepers (keeper_id, name, joined_on) VALUES (MAX(4), 'Ilda', '2026-01-01'); -- want "clause.aggregate-in-write"
INSERT INTO keepers (keeper_id, name, joined_on) SELECT MAX(keeper_id) + 1, 'Ilda', '2026-01-01' FROM keepers WHERE 1 = 0 HAVING COUNT(*) > 0;
