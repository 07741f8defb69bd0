-- dialect: mariadb
-- checks: clause.not-aggregate
SELECT UPPER(DISTINCT name) FROM hives; -- want "clause.not-aggregate"
SELECT COUNT(DISTINCT UPPER(name)), SUM(DISTINCT frame_count) FROM hives;
SELECT GROUP_CONCAT(DISTINCT name ORDER BY name), RANK() OVER (ORDER BY COUNT(*)) FROM hives GROUP BY apiary_id;
