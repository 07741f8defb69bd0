-- dialect: mysql
-- checks: name.ambiguous-column, type.argument-count, syntax.other-dialect, syntax.unreadable, syntax.reserved-name, name.unknown-column, null.equals
SELECT j.k FROM JSON_TABLE('[{"k": 1}]', '$[*]' COLUMNS (k INT PATH '$.k')) AS j;
CREATE PROCEDURE tidy(wanted INT) BEGIN DECLARE n INT; SELECT COUNT(*) INTO n FROM hives WHERE apiary_id = wanted AND name = NULL; END; -- want "null.equals"
SELECT IF(1 = 1, 2, 3) AS two;
SELECT k.name FROM keepers AS k FULL OUTER JOIN hives AS h ON h.keeper_id = k.keeper_id; -- want "syntax.other-dialect"
SELECT i.inspected_at + INTERVAL 1 AS later FROM inspections AS i; -- want "syntax.unreadable"
SELECT h.name FROM hives AS h LEFT LEFT JOIN queens AS q ON q.queen_id = h.queen_id; -- want "syntax.unreadable"
SELECT COUNT() AS n FROM hives; -- want "type.argument-count"
SELECT h.frame_count AS a, h.apiary_id AS a FROM hives AS h ORDER BY a; -- want "name.ambiguous-column"
SELECT h.frame_count + 1 AS a, h.apiary_id AS a FROM hives AS h ORDER BY a;
SELECT '2026-05-01' + INTERVAL 1 << 3 SECOND AS later;
CREATE UNIQUE INDEX by_colour ON hives (hive_id, color); -- want "name.unknown-column"
CREATE INDEX by_first_letters ON hives (name(8), apiary_id DESC);
