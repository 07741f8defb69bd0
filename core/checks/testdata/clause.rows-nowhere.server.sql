-- dialect: sqlserver
-- checks: clause.rows-nowhere
CREATE FUNCTION dbo.swarm_count (@n int) RETURNS int AS
BEGIN
  DECLARE @kg int = (SELECT MAX(hive_id) FROM hives)
  SELECT @n = COUNT(*), @kg = 3 FROM hives
  INSERT @found SELECT hive_id FROM hives
  SELECT name FROM hives WHERE hive_id = @n -- want "clause.rows-nowhere"
  RETURN @n
END
GO
CREATE FUNCTION dbo.swarm_names (@n int) RETURNS TABLE AS RETURN SELECT name FROM hives WHERE hive_id = @n
GO
CREATE FUNCTION dbo.swarm_more (@n int) RETURNS TABLE AS RETURN (WITH h AS (SELECT name FROM hives) SELECT name FROM h)
GO
CREATE PROCEDURE dbo.swarm_list AS BEGIN SELECT name FROM hives SELECT name FROM queens END
GO
CREATE FUNCTION dbo.hive_list() RETURNS TABLE AS RETURN WITH h AS (SELECT name FROM hives) SELECT name FROM h;
