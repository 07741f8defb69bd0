-- dialect: mariadb
SELECT name INTO @hive FROM hives WHERE apiary_id = 1; -- want "rows.into-several"
SELECT name INTO @hive FROM hives WHERE hive_id = @wanted;
SELECT name INTO @hive FROM hives WHERE apiary_id = 1 LIMIT 1;
CREATE PROCEDURE weigh(p_hive INT) BEGIN DECLARE kg DECIMAL(8, 2); SELECT g.weight_kg INTO kg FROM harvests g WHERE g.hive_id = p_hive; END; -- want "rows.into-several"
CREATE PROCEDURE weigh_one(p_harvest INT) BEGIN DECLARE kg DECIMAL(8, 2); SELECT g.weight_kg INTO kg FROM harvests g WHERE g.harvest_id = p_harvest; END;
SELECT name INTO @hive FROM hives;
