-- dialect: mariadb
SELECT j.k, j.deep FROM JSON_TABLE('[{"k": 1}]', '$[*]' COLUMNS (n FOR ORDINALITY, k INT PATH '$.k' DEFAULT '0' ON EMPTY, NESTED PATH '$.x' COLUMNS (deep DECIMAL(8, 2) PATH '$.y'))) AS j;
SELECT j.nope FROM JSON_TABLE('[{"k": 1}]', '$[*]' COLUMNS (k INT PATH '$.k')) AS j; -- want "name.unknown-column"
WITH a AS (SELECT g.hive_id, g.weight_kg FROM harvests g), b AS (SELECT i.hive_id, i.mites FROM inspections i) SELECT h.hive_id, SUM(a.weight_kg) AS kg, SUM(b.mites) AS mites FROM hives h LEFT JOIN a ON a.hive_id = h.hive_id LEFT JOIN b ON b.hive_id = h.hive_id GROUP BY h.hive_id; -- want "group.fan-out" "group.fan-out"
SELECT SUM(CASE WHEN (h.frame_count > 8 THEN 1 ELSE 0 END) FROM hives h; -- want "syntax.unbalanced"
INSERT INTO buyers (buyer_id, name) VALUES (901, 'Ash') RETURNING buyers.*;
INSERT INTO buyers (buyer_id, name) VALUES (902, 'Ash') RETURNING sales.*; -- want "name.unknown-alias"
DELETE FROM sales WHERE sale_id = 3 RETURNING sales.*;
SELECT h.name FROM hives h WHERE h.frame_count > ALL (SELECT i.mites, i.temper FROM inspections i); -- want "rows.subquery-width"
SELECT h.name FROM hives h WHERE (h.hive_id, h.frame_count) = ANY (SELECT i.hive_id FROM inspections i); -- want "rows.subquery-width"
