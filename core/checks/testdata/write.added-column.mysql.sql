-- dialect: mysql, possible
-- checks: write.added-column
ALTER TABLE swarms ADD COLUMN wood varchar(20) NOT NULL; -- want "write.added-column"
ALTER TABLE swarms ADD COLUMN seal int NOT NULL UNIQUE; -- want "write.added-column"
ALTER TABLE swarms ADD COLUMN seal int PRIMARY KEY, ADD wood varchar(20); -- want "write.added-column"
ALTER TABLE swarms ADD COLUMN swarm_no int AUTO_INCREMENT PRIMARY KEY;
ALTER TABLE swarms ADD COLUMN wood varchar(20) NOT NULL DEFAULT 'pine';
ALTER TABLE swarms ADD COLUMN seal int UNIQUE;
