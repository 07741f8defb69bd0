-- dialect: sqlite
SELECT CAST('ten' AS integer) AS n; -- want "type.impossible-cast"
SELECT CAST('12 frames' AS real) AS n; -- want "type.impossible-cast"
SELECT CAST('10' AS integer) AS n, CAST('' AS integer) AS m, CAST('ten' AS text) AS t, CAST(name AS integer) AS x FROM hives;
