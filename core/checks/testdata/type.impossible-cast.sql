-- dialect: postgres
SELECT CAST('ten' AS integer) AS n, 'ten'::numeric AS m; -- want "type.impossible-cast" "type.impossible-cast"
SELECT CAST('7.5' AS integer) AS n; -- want "type.impossible-cast"
SELECT CAST('' AS integer) AS n; -- want "type.impossible-cast"
SELECT CAST('soon' AS date) AS d, DATE 'never' AS e; -- want "type.impossible-cast" "type.impossible-cast"
SELECT CAST('maybe' AS boolean) AS b; -- want "type.impossible-cast"
SELECT CAST(moved_on AS integer) AS n FROM hives; -- want "type.impossible-cast"
SELECT (frame_count > 3)::numeric AS n FROM hives; -- want "type.impossible-cast"
SELECT CAST(' 10 ' AS integer) AS n, '1e3'::numeric AS m, CAST('NaN' AS double precision) AS x, 'infinity'::timestamp AS t, 'ye'::boolean AS b;
SELECT CAST(frame_count AS text) AS a, CAST(moved_on AS timestamp) AS b, CAST(frame_count > 3 AS integer) AS c, CAST('today' AS date) AS d, CAST('now()' AS timestamp) AS e FROM hives;
