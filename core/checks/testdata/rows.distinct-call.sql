-- dialect: mariadb
-- checks: rows.distinct-call
SELECT DISTINCT(h.apiary_id), h.name FROM hives h; -- want "rows.distinct-call"
SELECT DISTINCT h.name, (h.apiary_id) FROM hives h;
SELECT DISTINCT (h.apiary_id) AS a FROM hives h;
SELECT DISTINCT (h.frame_count + 1), h.name FROM hives h;
