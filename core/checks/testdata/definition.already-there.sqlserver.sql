-- dialect: sqlserver
-- checks: definition.already-there, definition.unknown-column
CREATE TABLE combs (comb_id int, hue varchar(9));
GO
IF OBJECT_ID('combs') IS NOT NULL DROP TABLE combs;
CREATE TABLE combs (comb_id int, hue varchar(9));
GO
CREATE INDEX by_hue ON combs (hue);
CREATE INDEX by_hue ON combs (comb_id); -- want "definition.already-there"
GO
IF NOT EXISTS (SELECT 1 FROM sys.tables WHERE name = 'combs') CREATE TABLE combs (comb_id int);
CREATE TABLE #light (comb_id int);
CREATE TABLE #light (comb_id int); -- want "definition.already-there"
EXEC drop_all;
CREATE TABLE #light (comb_id int);
ALTER TABLE combs DROP COLUMN weight;
CREATE TABLE frames_old (frame_id int);
ALTER TABLE frames_old DROP COLUMN weight; -- want "definition.unknown-column"
ALTER TABLE frames_old ADD hue int, weight int;
ALTER TABLE frames_old DROP COLUMN weight;
GO
CREATE VIEW heavy AS SELECT 1 AS a;
GO
CREATE OR ALTER VIEW heavy AS SELECT 2 AS a;
GO
CREATE VIEW heavy AS SELECT 3 AS a; -- want "definition.already-there"
GO
CREATE TABLE broods (brood_id int CONSTRAINT sane CHECK (brood_id > 0), hive_id int, CONSTRAINT sane UNIQUE (hive_id)); -- want "definition.already-there"
