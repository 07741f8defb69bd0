-- dialect: spark
-- checks: clause.rows-function
SELECT name FROM hives WHERE EXPLODE(SPLIT(name, ' ')) = 'Ash'; -- want "clause.rows-function"
SELECT UPPER(EXPLODE(SPLIT(name, ' '))) AS word FROM hives; -- want "clause.rows-function"
SELECT EXPLODE(SPLIT(name, ' ')) || '!' AS word FROM hives; -- want "clause.rows-function"
SELECT name FROM hives ORDER BY EXPLODE(SPLIT(name, ' ')); -- want "clause.rows-function"
SELECT COUNT(EXPLODE(SPLIT(name, ' '))) FROM hives; -- want "clause.rows-function"
SELECT name, EXPLODE(SPLIT(name, ' ')) AS word FROM hives;
SELECT POSEXPLODE(SPLIT(name, ' ')) AS (place, word) FROM hives;
SELECT h.name, w.word FROM hives h LATERAL VIEW EXPLODE(SPLIT(h.name, ' ')) w AS word WHERE w.word = 'Ash';
SELECT x.col FROM EXPLODE(ARRAY(1, 2)) AS x;
