-- dialect: mariadb
-- checks: name.unknown-column
SELECT `nmae` FROM `hives`; -- want "name.unknown-column"
SELECT `h`.`nmae`, `h`.`hive_id` FROM `hives` AS `h` WHERE `h`.`apiary_id` = 1; -- want "name.unknown-column"
SELECT `name` FROM `hives` WHERE `Hive_Id` > 3 ORDER BY `NAME`;
SELECT `name` AS `label` FROM `hives` HAVING `label` > 'A' ORDER BY `label`;
SELECT `name` FROM `hives` WHERE "nmae" = name;
UPDATE `hives` SET `frame_cuont` = 1 WHERE `hive_id` = 3; -- want "name.unknown-column"
SELECT @`json`, @"x y", name FROM hives;
SET @sys.tmp.name = 3;
SELECT @a.b, name FROM hives;
