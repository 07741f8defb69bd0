-- dialect: mariadb
CREATE PROCEDURE move_hive(hive_id integer, apiary integer) UPDATE hives SET apiary_id = apiary WHERE hive_id = hive_id; -- want "name.variable-hides-column"
CREATE PROCEDURE move_hive_2(which integer, apiary_id integer) UPDATE hives SET apiary_id = apiary_id WHERE hive_id = which;
CREATE PROCEDURE move_hive_3(hive_id integer, apiary integer) UPDATE hives AS h SET h.apiary_id = apiary WHERE h.hive_id = hive_id;
CREATE PROCEDURE count_hives(keeper_id integer, OUT n integer) BEGIN DECLARE apiary_id, most integer DEFAULT 3; SELECT COUNT(*) INTO n FROM hives h WHERE apiary_id = apiary_id; END; -- want "name.variable-hides-column"
CREATE PROCEDURE swarm(swarm_id integer) BEGIN IF swarm_id = swarm_id THEN DELETE FROM sales WHERE sale_id = swarm_id; END IF; END;
