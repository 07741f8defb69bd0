-- dialect: mariadb
SELECT CAST(name AS inet6) + 1 AS n FROM hives; -- want "type.operands"
SELECT hive_id FROM hives WHERE CAST(name AS uuid) = 7; -- want "type.operands"
SELECT hive_id FROM hives WHERE CAST(name AS inet6) IN ('::1', moved_on); -- want "type.operands"
SELECT COALESCE(CAST(name AS inet6), hive_id) AS n FROM hives; -- want "case.mixed-types"
SELECT ABS(CAST(name AS inet6)) AS n, NULLIF(POINT(0, 0), 1) AS m FROM hives; -- want "type.operands" "type.operands"
SELECT POINT(0, 0) * 2 AS n; -- want "type.operands"
SELECT CAST(name AS uuid) AS a FROM hives UNION SELECT hive_id FROM hives; -- want "set.column-types"
SELECT hive_id FROM hives WHERE CAST(name AS inet6) = '::1' OR CAST(name AS inet6) IN ('::1', CAST('::2' AS inet6)) OR POINT(1, 2) = POINT(1, 3);
SELECT COALESCE(CAST(name AS inet6), '::1') AS a, CASE WHEN hive_id = 1 THEN CAST(name AS inet6) END AS b FROM hives;
