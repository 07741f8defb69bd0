-- dialect: postgres
-- checks: clause.rows-function
SELECT name FROM hives WHERE 'Ash' = UNNEST(STRING_TO_ARRAY(name, ' ')) /* any word */ AND frame_count > 3; -- want "clause.rows-function"
SELECT name FROM hives WHERE REGEXP_MATCHES(name, '^A') IS NOT NULL; -- want "clause.rows-function"
SELECT COUNT(*) FROM hives HAVING GENERATE_SERIES(1, 2) = 1; -- want "clause.rows-function"
SELECT CASE WHEN frame_count > 3 THEN GENERATE_SERIES(1, 2) ELSE 0 END FROM hives; -- want "clause.rows-function"
SELECT COALESCE(STRING_TO_TABLE(name, ' '), 'none') FROM hives; -- want "clause.rows-function"
SELECT COUNT(*) FILTER (WHERE GENERATE_SERIES(1, 2) = 1) FROM hives; -- want "clause.rows-function"
SELECT SUM(GENERATE_SERIES(1, frame_count)) OVER (ORDER BY name) FROM hives; -- want "clause.rows-function"
SELECT h.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id AND GENERATE_SERIES(1, 2) = h.frame_count; -- want "clause.rows-function"
SELECT name FROM hives ORDER BY name LIMIT GENERATE_SERIES(1, 2); -- want "clause.rows-function"
SELECT GENERATE_SERIES(1, 2) BETWEEN 1 AND 2 AS b FROM hives; -- want "clause.rows-function"
SELECT NOT (GENERATE_SERIES(1, 2) = 1) AS b FROM hives; -- want "clause.rows-function"
SELECT frame_count = 1 OR GENERATE_SERIES(1, 2) = 1 AS b FROM hives; -- want "clause.rows-function"
UPDATE hives SET frame_count = GENERATE_SERIES(1, 2) WHERE hive_id = 1; -- want "clause.rows-function"
DELETE FROM inspections WHERE GENERATE_SERIES(1, 2) = mites; -- want "clause.rows-function"
DELETE FROM inspections WHERE mites = 99 RETURNING GENERATE_SERIES(1, 2); -- want "clause.rows-function"
SELECT v.n FROM (VALUES (GENERATE_SERIES(1, 2)), (3)) AS v (n); -- want "clause.rows-function"
SELECT s.n FROM GENERATE_SERIES(1, GENERATE_SERIES(1, 2)) AS s (n); -- want "clause.rows-function"
SELECT a.n FROM ABS(GENERATE_SERIES(1, 2)) AS a (n); -- want "clause.rows-function"
SELECT name, STRING_TO_TABLE(name, ' ') || '!' AS word FROM hives ORDER BY GENERATE_SERIES(1, 2);
SELECT GENERATE_SERIES(1, GENERATE_SERIES(1, 2)) AS n;
SELECT GREATEST(GENERATE_SERIES(1, 2), 1), NULLIF(GENERATE_SERIES(1, 2), 1), GENERATE_SERIES(1, 2) IS NULL, ARRAY[GENERATE_SERIES(1, 2)];
SELECT frame_count IN (SELECT GENERATE_SERIES(1, 3)) AS b, EXISTS (SELECT GENERATE_SERIES(1, 3)) AS c FROM hives WHERE frame_count IN (SELECT GENERATE_SERIES(1, 3));
SELECT DISTINCT ON (GENERATE_SERIES(1, 2)) name FROM hives;
SELECT COUNT(*), GENERATE_SERIES(1, 2) AS n FROM hives GROUP BY GENERATE_SERIES(1, 2);
SELECT ROW_NUMBER() OVER (PARTITION BY GENERATE_SERIES(1, 2) ORDER BY GENERATE_SERIES(1, 2)) FROM hives;
SELECT h.name, s.n FROM hives h, GENERATE_SERIES(1, h.frame_count) AS s (n) WHERE s.n > 1;
SELECT u.x, u.n FROM UNNEST(ARRAY['a', 'b']) WITH ORDINALITY AS u (x, n);
