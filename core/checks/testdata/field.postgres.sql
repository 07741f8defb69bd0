-- dialect: postgres
-- checks: name.quoted-alias, name.implied-as, name.ambiguous-column, name.duplicate-output, type.argument-count, syntax.unreadable, syntax.missing-comma, name.unknown-column, name.unknown-alias, group.ungrouped-column, name.outer-capture, syntax.reserved-name
SELECT U&'\20AC' AS sign, U&'d!0061' UESCAPE '!' AS letter;
SELECT j.b FROM (hives AS h JOIN queens AS q ON q.queen_id = h.queen_id) AS j (a, b, c);
SELECT j.frame_count FROM (hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id) AS j;
SELECT h.name FROM (hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id) AS j; -- want "name.unknown-alias"
SELECT j.mites FROM (hives AS h JOIN inspections AS i ON i.hive_id = h.hvie_id) AS j; -- want "name.unknown-column"
INSERT INTO buyers (buyer_id, name) VALUES (901, 'C:\');
SELECT apiary_id, percentile_cont(0.5) WITHIN GROUP (ORDER BY frame_count) AS middle FROM hives GROUP BY apiary_id;
SELECT apiary_id, rank(3) WITHIN GROUP (ORDER BY frame_count DESC) AS place FROM hives GROUP BY apiary_id;
SELECT d.ids, (SELECT MIN(e) FROM unnest(d.ids) AS e) AS least, (SELECT MAX(e) FROM unnest(ids) AS e) AS most FROM (SELECT array_agg(hive_id) AS ids FROM hives) AS d;
SELECT apiary_id, keeper_id, COUNT(*) AS n FROM hives GROUP BY apiary_id; -- want "group.ungrouped-column"
SELECT t.a, t.b FROM unnest(ARRAY[1, 2], ARRAY['x', 'y']) AS t (a, b);
WITH RECURSIVE c AS (SELECT k.keeper_id, k.mentor_id FROM keepers AS k WHERE k.mentor_id IS NULL UNION ALL SELECT k.keeper_id, k.mentor_id FROM keepers AS k JOIN c ON c.keeper_id = k.mentor_id) SEARCH DEPTH FIRST BY keeper_id SET ord SELECT c.keeper_id FROM c ORDER BY c.ord;
DECLARE late CURSOR FOR SELECT k.nmae FROM keepers AS k; -- want "name.unknown-column"
SELECT h.apiary_id FROM hives AS h GROUP BY h.apiary_id HAVING (*) > 1; -- want "syntax.unreadable"
MERGE INTO hives AS h USING queens AS q ON q.queen_id = h.queen_id WHEN MATCHED THEN UPDATE SET frame_cuont = 1; -- want "name.unknown-column"
SELECT COUNT() AS n FROM hives; -- want "type.argument-count"
SELECT h.name 'Hive', h.frame_count AS frames FROM hives AS h; -- want "name.quoted-alias"
SELECT AVG(h.frame_count) OVER (v ROWS 3 PRECEDING) AS x FROM hives AS h WINDOW w AS (ORDER BY h.hive_id); -- want "name.unknown-alias"
SELECT AVG(h.frame_count) OVER (w ROWS 3 PRECEDING) AS x FROM hives AS h WINDOW w AS (ORDER BY h.hive_id);
SELECT h.frame_count AS a, h.apiary_id AS a FROM hives AS h ORDER BY a; -- want "name.ambiguous-column"
CREATE INDEX by_nmae ON hives (nmae); -- want "name.unknown-column"
CREATE INDEX by_name ON hives (name, lower(name), frame_count DESC);
INSERT INTO buyers (buyer_id, name) VALUES (901, 'Linden\'s honey'); -- want "syntax.unreadable"
