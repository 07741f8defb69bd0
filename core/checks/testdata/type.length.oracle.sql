-- dialect: oracle
-- checks: type.length
CREATE TABLE swarms (place VARCHAR2, caught DATE(3), n NUMBER(39), m INTEGER(10)); -- want "type.length" "type.length" "type.length" "type.length"
CREATE TABLE swarm1 (place VARCHAR2(40000), at TIMESTAMP(10)); -- want "type.length" "type.length"
CREATE TABLE swarm2 (place VARCHAR2(4000 CHAR), n NUMBER(*, 2), m NUMBER(3, 5), o NUMBER(10, -2), at TIMESTAMP(9) WITH TIME ZONE, w FLOAT(126), r RAW(16));
