-- dialect: mariadb
-- checks: definition.null-default
CREATE TABLE colonies (hue varchar(9) NOT NULL DEFAULT NULL); -- want "definition.null-default"
CREATE TABLE colonies (code integer DEFAULT NULL NOT NULL); -- want "definition.null-default"
CREATE TABLE colonies (hue varchar(9) DEFAULT NULL);
CREATE TABLE colonies (hue varchar(9) NOT NULL DEFAULT 'NULL');
CREATE TABLE colonies (hue varchar(9) NULL DEFAULT NULL, code integer NOT NULL);
