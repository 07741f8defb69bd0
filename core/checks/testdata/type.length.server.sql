-- dialect: sqlserver
-- checks: type.length
CREATE TABLE swarms (swarm_id int(11), place nvarchar(5000), weight decimal(39, 2), caught datetime2(8), known bit(1)); -- want "type.length" "type.length" "type.length" "type.length" "type.length"
CREATE TABLE swarm1 (weight decimal(5, 10), caught datetime(3)); -- want "type.length" "type.length"
SELECT CAST(name AS varchar(9000)) FROM hives; -- want "type.length"
CREATE TABLE swarm2 (place nvarchar(max), weight decimal(38, 38), caught datetime2(7), hue varchar(8000), other varchar, doc xml, n float(53), parts dbo.int(3));
CREATE TABLE swarm3 (at time(8)); -- want "type.length"
