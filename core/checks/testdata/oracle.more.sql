-- dialect: oracle, possible
SELECT h.name FROM hives h WHERE ROWNUM <= 3;
SELECT h.name FROM hives h FETCH FIRST 3 ROWS ONLY; -- want "rows.limit-unordered"
SELECT h.name FROM hives AS h; -- want "syntax.other-dialect"
SELECT h.name FROM hives h LIMIT 3; -- want "rows.limit-unordered" "syntax.other-dialect"
SELECT h.name || ', ' || q.name AS both_names FROM hives h JOIN queens q ON q.queen_id = h.queen_id;
SELECT h.name, q.name AS queen FROM hives h, queens q WHERE q.queen_id (+) = h.queen_id; -- want "join.comma" "join.old-outer"
SELECT h.name, q.name AS queen FROM hives h, queens q; -- want "join.unconnected"
SELECT NVL(q.colour, 'none') AS colour FROM queens q;
SELECT q.name FROM queens q WHERE q.colour = ''; -- want "null.empty-text"
SELECT q.name FROM queens q WHERE q.colour = NULL; -- want "null.equals"
SELECT q.name FROM queens q WHERE q.colour <> 'blue'; -- want "null.inequality-drops"
SELECT v.hive_id FROM harvests v WHERE TRUNC(v.taken_on) = DATE '2026-05-01'; -- want "index.function-on-column"
SELECT v.hive_id FROM harvests v WHERE EXTRACT(YEAR FROM v.taken_on) = 2026; -- want "index.function-on-column"
SELECT v.hive_id FROM harvests v WHERE TO_CHAR(v.taken_on, 'YYYY') = '2026'; -- want "index.function-on-column"
SELECT h.apiary_id, COUNT(*) AS n FROM hives h GROUP BY h.apiary_id HAVING n > 3;
SELECT h.apiary_id, h.name, COUNT(*) AS n FROM hives h GROUP BY h.apiary_id; -- want "group.ungrouped-column"
SELECT MAX(COUNT(*)) AS most FROM hives h GROUP BY h.apiary_id;
SELECT h.apiary_id, MAX(COUNT(*)) AS most FROM hives h GROUP BY h.apiary_id;
SELECT LISTAGG(h.name, ', ') WITHIN GROUP (ORDER BY h.name) AS names FROM hives h;
SELECT k.name, LEVEL FROM keepers k START WITH k.mentor_id IS NULL CONNECT BY PRIOR k.keeper_id = k.mentor_id;
SELECT d.name FROM (SELECT h.name FROM hives h) d;
SELECT h.name FROM hives h WHERE h.hive_id IN (SELECT v.hive_id, v.weight_kg FROM harvests v); -- want "rows.subquery-width"
SELECT h.name FROM hives h MINUS SELECT q.name FROM queens q;
SELECT h.name FROM hives h MINUS SELECT q.name, q.colour FROM queens q; -- want "set.column-count"
SELECT SYSDATE FROM DUAL;
SELECT SYSDATE - v.taken_on AS age FROM harvests v;
SELECT DECODE(q.colour, NULL, 'none', q.colour) AS colour FROM queens q; -- want "case.decode"
SELECT CASE q.colour WHEN NULL THEN 'none' ELSE q.colour END AS colour FROM queens q; -- want "null.case-when-null"
INSERT INTO buyers (buyer_id, name) VALUES (1); -- want "write.value-count"
UPDATE hives h SET h.frame_count = (SELECT MAX(o.frame_count) FROM hives o) WHERE h.hive_id = 3;
DELETE FROM hives h WHERE h.hive_id = MAX(h.hive_id); -- want "clause.aggregate-in-where" "write.parent-delete"
SELECT h.name, ROW_NUMBER() OVER (ORDER BY h.name) AS place FROM hives h WHERE ROW_NUMBER() OVER (ORDER BY h.name) < 3; -- want "clause.window-outside"
