-- dialect: postgres, possible
-- checks: rows.limit-ties
SELECT h.name, a.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id ORDER BY a.name, h.name LIMIT 5; -- want "rows.limit-ties"
SELECT name FROM hives WHERE apiary_id = 2 ORDER BY 1 LIMIT 5; -- want "rows.limit-ties"
SELECT h.hive_id, a.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id ORDER BY a.name, h.hive_id LIMIT 5;
SELECT hive_id AS id, name FROM hives ORDER BY id LIMIT 5;
SELECT name FROM hives WHERE hive_id = 3 ORDER BY name LIMIT 5;
SELECT name FROM hives ORDER BY name FETCH FIRST 5 ROWS WITH TIES;
