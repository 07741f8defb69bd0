-- dialect: postgres, possible
-- checks: rows.star
SELECT * FROM hives; -- want "rows.star"
WITH h AS (SELECT * FROM hives) SELECT name FROM h; -- want "rows.star"
WITH h AS (SELECT hive_id, name FROM hives) SELECT * FROM h;
SELECT count(*) FROM hives;
