-- dialect: mariadb
-- checks: type.out-of-range, type.not-allowed, definition.numbered-key, definition.column-twice, definition.two-primary-keys, definition.generated-chain
CREATE TABLE colonies (place varchar(3) DEFAULT 'oak tree', n tinyint DEFAULT 300); -- want "type.out-of-range" "type.out-of-range"
CREATE TABLE colonies (kind enum('prime', 'cast') DEFAULT 'last'); -- want "type.not-allowed"
CREATE TABLE colonies (place varchar(8) DEFAULT 'oak tree', n tinyint DEFAULT 127, kind enum('prime', 'cast') DEFAULT 'CAST', other enum('x') DEFAULT NULL);
CREATE TABLE colonies (colony_id varchar(9) AUTO_INCREMENT PRIMARY KEY); -- want "definition.numbered-key"
CREATE TABLE colonies (colony_id decimal(5) AUTO_INCREMENT PRIMARY KEY); -- want "definition.numbered-key"
CREATE TABLE colonies (colony_id double AUTO_INCREMENT PRIMARY KEY);
CREATE TABLE colonies (colony_id int PRIMARY KEY PRIMARY KEY);
CREATE INDEX twice ON hives (name, apiary_id, NAME); -- want "definition.column-twice"
CREATE TABLE colonies (a int, b int, KEY (a, b, a)); -- want "definition.column-twice"
CREATE TABLE colonies (a int GENERATED ALWAYS AS (a + 1) STORED, z int); -- want "definition.generated-chain"
CREATE TABLE colonies (z int, a int GENERATED ALWAYS AS (b + 1) VIRTUAL, b int GENERATED ALWAYS AS (z + 1) VIRTUAL); -- want "definition.generated-chain"
CREATE TABLE colonies (a int GENERATED ALWAYS AS (z + 1) STORED, b int GENERATED ALWAYS AS (a + z) STORED, z int);
