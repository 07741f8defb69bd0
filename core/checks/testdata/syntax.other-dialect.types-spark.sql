-- dialect: spark
-- checks: syntax.other-dialect
CREATE TABLE swarms (caught datetime(3), remark text, place nvarchar(20), weight number(5, 2)); -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
SELECT CAST(name AS varchar2), CAST(name AS uuid) FROM hives; -- want "syntax.other-dialect" "syntax.other-dialect"
CREATE TABLE swarm1 (caught TIMESTAMP, at TIMESTAMP_NTZ, remark STRING, place VARCHAR(20), weight DECIMAL(5, 2), known BOOLEAN, n TINYINT, m BIGINT, photo BINARY, parts ARRAY<STRING>, box STRUCT<a: INT, b: MAP<STRING, DOUBLE>>);
