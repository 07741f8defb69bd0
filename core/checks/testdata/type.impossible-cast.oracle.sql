-- dialect: oracle

SELECT CAST('ten' AS integer) AS n FROM hives; -- want "type.impossible-cast"
SELECT CAST('12 frames' AS decimal(8, 2)) AS n FROM hives; -- want "type.impossible-cast"
SELECT CAST('soon' AS date) AS d FROM hives; -- want "type.impossible-cast"
SELECT CAST(' 10 ' AS integer) AS n FROM hives;
SELECT CAST(name AS varchar(10)) AS n FROM hives;
