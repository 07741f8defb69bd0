-- dialect: sqlserver
-- checks: acceptance.idle, null.equals
SELECT name FROM hives WHERE kg = 7
-- lens: accept null.equals because no rows are wanted here
SELECT name
FROM hives
WHERE queen_id = NULL
SELECT name FROM hives WHERE queen_id = NULL -- lens: accept null.equals because nor are they here
SELECT name FROM hives WHERE queen_id = NULL -- want "null.equals"
GO
