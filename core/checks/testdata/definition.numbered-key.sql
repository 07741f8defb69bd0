-- dialect: mariadb
-- checks: definition.numbered-key
CREATE TABLE colonies (code integer AUTO_INCREMENT); -- want "definition.numbered-key"
CREATE TABLE colonies (code integer NOT NULL AUTO_INCREMENT, hue varchar(9), KEY (hue, code)); -- want "definition.numbered-key"
CREATE TABLE colonies (code integer NOT NULL AUTO_INCREMENT, hue varchar(9), PRIMARY KEY (hue)); -- want "definition.numbered-key"
CREATE TABLE colonies (code integer AUTO_INCREMENT PRIMARY KEY, place integer AUTO_INCREMENT UNIQUE); -- want "definition.numbered-key"
CREATE TABLE colonies (code integer AUTO_INCREMENT, hue varchar(9), KEY (hue, code)) ENGINE=MyISAM;
CREATE TABLE colonies (code integer AUTO_INCREMENT, hue varchar(9), PRIMARY KEY (hue), KEY by_code (code, hue));
CREATE TABLE colonies (code serial, hue varchar(9));
