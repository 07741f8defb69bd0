-- dialect: mariadb
SELECT CAST('ten' AS SIGNED) AS n; -- want "type.impossible-cast"
SELECT CAST('12 frames' AS DECIMAL(8, 2)) AS n; -- want "type.impossible-cast"
SELECT CAST('soon' AS DATE) AS d; -- want "type.impossible-cast"
SELECT CAST('10' AS SIGNED) AS n, CAST('' AS SIGNED) AS m, CAST('10.5' AS DECIMAL(4, 1)) AS x, CAST(moved_on AS SIGNED) AS y FROM hives;
