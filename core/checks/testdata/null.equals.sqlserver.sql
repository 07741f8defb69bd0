-- dialect: sqlserver
-- checks: null.equals
ALTER TABLE dbo.hives ADD kept int NULL, calm int NOT NULL DEFAULT 3
UPDATE dbo.hives SET kept = 1, calm = 2 WHERE queen_id = NULL -- want "null.equals"
ALTER TABLE dbo.hives DROP COLUMN kept UPDATE dbo.hives SET calm = 1, name = 'x' WHERE queen_id = NULL -- want "null.equals"
IF 1 = 1 SELECT name FROM dbo.hives WHERE queen_id = NULL SELECT 2 -- want "null.equals"
