-- dialect: mariadb
-- checks: syntax.other-dialect
CREATE TABLE colonies (remark bytea); -- want "syntax.other-dialect"
CREATE TABLE colonies (caught timestamptz, price money); -- want "syntax.other-dialect" "syntax.other-dialect"
CREATE TABLE colonies (colony_key uniqueidentifier, remark clob); -- want "syntax.other-dialect" "syntax.other-dialect"
SELECT CAST(name AS string) FROM hives; -- want "syntax.other-dialect"
CREATE TABLE colonies (a tinyint, b mediumint, c datetime(6), d nvarchar(5), e longtext, f enum('x'), g year, h bool, i uuid, j double, k blob, l serial);
SELECT CAST(name AS UNSIGNED), CAST(name AS SIGNED), CAST(name AS DATETIME) FROM hives;
