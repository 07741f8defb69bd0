-- dialect: sqlserver
CREATE PROCEDURE weigh AS
BEGIN
  EXEC('UPDATE hives SET name = ''Ash'' WHERE queen_id = NULL'); -- want "null.equals"
  EXEC sp_executesql N'SELECT name FROM hives WHERE queen_id <> NULL AND hive_id = @hive', N'@hive int', @hive = 3; -- want "null.equals"
  EXEC('SELECT name FROM ' + @table + ' WHERE queen_id = NULL');
  SELECT name FROM hives WHERE queen_id = NULL; -- want "null.equals"
END
