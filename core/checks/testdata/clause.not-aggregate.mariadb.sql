-- dialect: mariadb
-- checks: clause.not-aggregate
SELECT UPPER(DISTINCT name) FROM hives; -- want "clause.not-aggregate"
SELECT COUNT(DISTINCT UPPER(name)), SUM(DISTINCT frame_count) FROM hives;
SELECT GROUP_CONCAT(DISTINCT frame_count ORDER BY frame_count), RANK() OVER (ORDER BY COUNT(*)) FROM hives GROUP BY apiary_id;
