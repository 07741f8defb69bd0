-- dialect: mariadb
SELECT name + ' of ' + name FROM queens; -- want "math.text-plus"
SELECT name FROM queens WHERE name + colour = 'Ashblue'; -- want "math.text-plus"
SELECT name + 0, '1' + '2', hive_id + 1, hive_id + '1' FROM hives;
SELECT 'hive ' + name FROM hives; -- want "math.text-plus"
SELECT moved_on + INTERVAL 1 DAY FROM hives;
SELECT CONCAT(name, bred_in) FROM queens;
