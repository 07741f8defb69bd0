-- dialect: postgres
-- checks: type.length
CREATE TABLE swarms (swarm_id int(11), caught date(3)); -- want "type.length" "type.length"
CREATE TABLE swarms (place varchar(0)); -- want "type.length"
CREATE TABLE swarms (place varchar(20000000), weight numeric(1001)); -- want "type.length" "type.length"
CREATE TABLE swarms (remark text(20) NOT NULL); -- want "type.length"
ALTER TABLE hives ADD COLUMN weight float(54); -- want "type.length"
SELECT CAST(name AS text(3)), frame_count::int(4) FROM hives; -- want "type.length" "type.length"
CREATE TABLE swarms (place varchar(10485760), hue char, other varchar, weight numeric(1000, 1000), few numeric(3, 5), n float(53), caught timestamp(3));
SELECT CAST(name AS varchar(3)), frame_count::numeric(4) FROM hives;
