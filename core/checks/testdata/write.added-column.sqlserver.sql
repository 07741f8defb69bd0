-- dialect: sqlserver
-- checks: write.added-column
ALTER TABLE hives ADD wood varchar(20) NOT NULL, seal int NULL; -- want "write.added-column"
ALTER TABLE hives ADD seal int NOT NULL CONSTRAINT sealed UNIQUE CONSTRAINT none DEFAULT 0; -- want "write.added-column"
ALTER TABLE hives ADD changed rowversion NOT NULL, seal int IDENTITY NOT NULL;
ALTER TABLE hives ADD wood varchar(20) NOT NULL CONSTRAINT pine DEFAULT 'pine' WITH VALUES;
CREATE TABLE #boxes (box_id int);
ALTER TABLE #boxes ADD wood varchar(20) NOT NULL;
DELETE FROM sales;
ALTER TABLE sales ADD place varchar(20) NOT NULL;
