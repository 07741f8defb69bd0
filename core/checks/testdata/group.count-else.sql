-- dialect: mariadb
SELECT COUNT(CASE WHEN mites > 3 THEN 1 ELSE 0 END) FROM inspections; -- want "group.count-else"
SELECT hive_id, COUNT(CASE WHEN mites > 3 THEN 'bad' ELSE 'good' END) AS bad FROM inspections GROUP BY hive_id; -- want "group.count-else"
SELECT COUNT(temper > 3) FROM inspections; -- want "group.count-else"
SELECT COUNT(mites > 3) FROM inspections; -- want "group.count-else"
SELECT COUNT(CASE WHEN mites > 3 THEN 1 END) FROM inspections;
SELECT COUNT(CASE WHEN mites > 3 THEN 1 ELSE NULL END) FROM inspections;
SELECT SUM(CASE WHEN mites > 3 THEN 1 ELSE 0 END) FROM inspections;
SELECT COUNT(DISTINCT CASE WHEN mites > 3 THEN hive_id ELSE 0 END) FROM inspections;
SELECT COUNT(CASE WHEN mites > 3 THEN remark ELSE 'none' END) FROM inspections;
