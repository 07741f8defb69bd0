-- dialect: mariadb
-- checks: definition.default-column
CREATE TABLE colonies (caught timestamp DEFAULT now); -- want "definition.default-column"
CREATE TABLE colonies (hue varchar(9) DEFAULT red); -- want "definition.default-column"
CREATE TABLE colonies (kg int DEFAULT (grams + 1)); -- want "definition.default-column"
CREATE TABLE colonies (kg int, grams int DEFAULT (kg * 1000), hue varchar(9) DEFAULT 'red', other varchar(9) DEFAULT "red", caught timestamp DEFAULT now(), seen timestamp DEFAULT current_timestamp, day date DEFAULT curdate());
CREATE TABLE swarms (kg int);
ALTER TABLE swarms ADD COLUMN a int, ADD COLUMN b int DEFAULT (a + kg);
ALTER TABLE swarms ADD COLUMN c int DEFAULT (d + 1); -- want "definition.default-column"
