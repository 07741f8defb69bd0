-- dialect: oracle
-- checks: rows.limit-before-order
SELECT h.name FROM hives h WHERE h.apiary_id = 2 AND 3 >= rownum ORDER BY h.frame_count; -- want "rows.limit-before-order"
select name from hives where rownum < 4 order by name; -- want "rows.limit-before-order"
SELECT name FROM (SELECT name FROM hives ORDER BY name) WHERE rownum <= 3;
SELECT name FROM (SELECT name, ROWNUM AS n FROM hives) WHERE n <= 3 ORDER BY name;
SELECT name FROM hives WHERE hive_id = 3 AND ROWNUM = 1 ORDER BY name;
