-- dialect: mariadb, possible
-- checks: definition.said-twice
CREATE TABLE colonies (colony_id int AUTO_INCREMENT PRIMARY KEY DEFAULT 3); -- want "definition.said-twice"
CREATE TABLE colonies (colony_id int NULL NOT NULL); -- want "definition.said-twice"
CREATE TABLE colonies (colony_id int DEFAULT 1 DEFAULT 2); -- want "definition.said-twice"
CREATE TABLE colonies (colony_id int NOT NULL DEFAULT 1, kg int NULL DEFAULT NULL);
