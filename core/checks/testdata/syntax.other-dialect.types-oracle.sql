-- dialect: oracle
-- checks: syntax.other-dialect
CREATE TABLE swarms (swarm_id bigint, caught datetime, remark text, place nvarchar(20)); -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
CREATE TABLE swarm1 (at time, weight double, photo bytea); -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
CREATE TABLE swarm2 (swarm_id NUMBER(19), caught DATE, remark CLOB, place NVARCHAR2(20), known BOOLEAN, weight DOUBLE PRECISION, w BINARY_DOUBLE, photo BLOB, doc XMLTYPE, at TIMESTAMP(6) WITH TIME ZONE);
