-- dialect: mariadb
SELECT UPPER(name, 3), NOW(1), CONCAT(), IF(frame_count > 3, 1) FROM hives; -- want "type.argument-count" "type.argument-count" "type.argument-count"
SELECT LAG(weight_kg, 1, 0) OVER (ORDER BY taken_on) FROM harvests; -- want "type.argument-count"
SELECT DATE_FORMAT(taken_on, '%Y'), DATEDIFF(taken_on, NOW()), DATE_ADD(taken_on, INTERVAL 1 DAY), GROUP_CONCAT(hive_id, taken_on SEPARATOR ', ') FROM harvests GROUP BY taken_on;
SELECT COUNT(DISTINCT hive_id, taken_on), TIMESTAMPDIFF(DAY, taken_on, NOW()), EXTRACT(DAY FROM taken_on) FROM harvests; -- want "group.ungrouped-column"
SELECT COUNT(DISTINCT hive_id, name), GROUP_CONCAT(DISTINCT name, frame_count) FROM hives;
SELECT MAX(*) FROM hives; -- want "type.argument-count"
