-- dialect: oracle
-- checks: rows.rownum-never, rows.limit-before-order
SELECT name FROM keepers WHERE rownum > 10; -- want "rows.rownum-never"
SELECT name FROM keepers WHERE village = 'Oakham' AND ROWNUM = 2; -- want "rows.rownum-never"
SELECT name FROM keepers WHERE 11 <= ROWNUM ORDER BY name; -- want "rows.rownum-never"
SELECT k.name FROM keepers k WHERE ROWNUM BETWEEN 11 AND 20; -- want "rows.rownum-never"
SELECT name FROM keepers WHERE ROWNUM > 0;
SELECT name FROM keepers WHERE ROWNUM = 1 OR ROWNUM = 2;
SELECT name FROM keepers WHERE ROWNUM <= 20 AND ROWNUM >= 1;
SELECT name FROM (SELECT name, ROWNUM AS rn FROM keepers WHERE ROWNUM <= 20) WHERE rn > 10;
