-- dialect: mariadb
-- checks: type.length
CREATE TABLE colonies (weight decimal(66)); -- want "type.length"
CREATE TABLE colonies (weight decimal(5, 10)); -- want "type.length"
CREATE TABLE colonies (weight decimal(60, 39)); -- want "type.length"
CREATE TABLE colonies (hue char(256)); -- want "type.length"
CREATE TABLE colonies (hue varchar(70000)); -- want "type.length"
CREATE TABLE colonies (caught datetime(7)); -- want "type.length"
CREATE TABLE colonies (flags bit(65)); -- want "type.length"
CREATE TABLE colonies (at time(7)); -- want "type.length"
SELECT CAST(name AS CHAR(300)) FROM hives;
SELECT CAST(frame_count AS DECIMAL(70, 2)) FROM hives; -- want "type.length"
CREATE TABLE colonies (colony_id int(11), weight decimal(65, 38), hue char(255), caught datetime(6), flags bit(64), n decimal(0), m bigint(20) unsigned, remark text(500), o decimal);
