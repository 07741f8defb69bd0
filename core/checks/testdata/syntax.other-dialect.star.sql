-- dialect: mariadb
-- checks: syntax.other-dialect
SELECT h.name, * FROM hives AS h; -- want "syntax.other-dialect"
SELECT name, * FROM hives JOIN queens USING (queen_id, name); -- want "syntax.other-dialect"
SELECT *, name, hives.* FROM hives;
SELECT COUNT(*), hives.* FROM hives GROUP BY hive_id;
SELECT CURRENT_DATE(), CURRENT_TIMESTAMP(), CURRENT_USER() FROM hives;
