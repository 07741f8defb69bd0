-- dialect: spark
-- checks: type.length
CREATE TABLE swarms (swarm_id INT(11), place VARCHAR, weight DECIMAL(39, 2), remark STRING(20)); -- want "type.length" "type.length" "type.length" "type.length"
SELECT CAST(name AS DECIMAL(5, 10)) FROM hives; -- want "type.length"
CREATE TABLE swarm1 (swarm_id INT, place VARCHAR(20), weight DECIMAL(38, 38), w DECIMAL, remark STRING, parts ARRAY<INT>, box STRUCT<a: DECIMAL(10, 2)>);
