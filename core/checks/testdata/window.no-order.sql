-- dialect: mariadb
-- checks: window.no-order
SELECT DENSE_RANK() OVER () AS r FROM hives; -- want "window.no-order"
SELECT LEAD(frame_count, 2) OVER (PARTITION BY apiary_id) AS l FROM hives; -- want "window.no-order"
SELECT FIRST_VALUE(name) OVER (PARTITION BY apiary_id) AS f FROM hives; -- want "window.no-order"
SELECT ROW_NUMBER() OVER () AS n, SUM(frame_count) OVER (PARTITION BY apiary_id) AS s FROM hives;
SELECT RANK() OVER (ORDER BY frame_count) AS r FROM hives;
