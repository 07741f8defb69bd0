-- dialect: sqlserver
-- checks: definition.said-twice
CREATE TABLE swarms (swarm_id int IDENTITY(1, 1) DEFAULT 3, place nvarchar(9) NULL NOT NULL); -- want "definition.said-twice" "definition.said-twice"
CREATE TABLE swarm1 (swarm_id int IDENTITY NOT NULL PRIMARY KEY, place nvarchar(9) NOT NULL CONSTRAINT known DEFAULT N'x', grams AS (swarm_id * 2) PERSISTED NOT NULL);
