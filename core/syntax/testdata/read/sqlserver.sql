USE [bees];
GO
SET ANSI_NULLS ON
SET NOCOUNT ON
GO
IF OBJECT_ID(N'dbo.hives', N'U') IS NOT NULL
    DROP TABLE dbo.hives
GO
CREATE TABLE [dbo].[hives](
	[hive_id] [int] IDENTITY(1,1) NOT NULL,
	[name] [nvarchar](40) COLLATE Latin1_General_CI_AS NOT NULL,
	[weight] AS ([a]+[b]) PERSISTED,
	[moved_on] [datetime2](7) NULL CONSTRAINT [df_moved] DEFAULT (getdate()),
 CONSTRAINT [PK_hives] PRIMARY KEY CLUSTERED ([hive_id] ASC) WITH (PAD_INDEX = OFF, FILLFACTOR = 80) ON [PRIMARY]
) ON [PRIMARY]
GO
CREATE NONCLUSTERED INDEX ix_hives ON dbo.hives (name ASC) INCLUDE (moved_on) WHERE moved_on IS NOT NULL WITH (ONLINE = ON)
GO
CREATE OR ALTER PROCEDURE dbo.move_hive
    @hive_id int,
    @to date = NULL,
    @count int OUTPUT
AS
BEGIN
    SET NOCOUNT ON;
    DECLARE @now datetime2 = SYSDATETIME(), @n int
    DECLARE @t TABLE (hive_id int PRIMARY KEY, name nvarchar(40));
    IF @to IS NULL
        SET @to = CAST(GETDATE() AS date)
    ELSE IF @to > @now
    BEGIN
        RAISERROR('in the future', 16, 1)
        RETURN -1
    END
    BEGIN TRY
        BEGIN TRANSACTION
        UPDATE h SET h.moved_on = @to, name += N'x'
        OUTPUT inserted.hive_id, deleted.name INTO @t
        FROM dbo.hives AS h WITH (ROWLOCK)
        INNER JOIN dbo.queens q ON q.queen_id = h.queen_id
        WHERE h.hive_id = @hive_id
        SELECT @count = @@ROWCOUNT
        COMMIT TRANSACTION
    END TRY
    BEGIN CATCH
        IF @@TRANCOUNT > 0 ROLLBACK
        ;THROW
    END CATCH
    WHILE @n < 10
    BEGIN
        SET @n += 1
        IF @n = 5 BREAK
        CONTINUE
    END
    SELECT TOP (10) PERCENT WITH TIES h.[name], total = SUM(w) OVER (PARTITION BY h.name ORDER BY w ROWS UNBOUNDED PRECEDING)
    FROM dbo.hives h
    OUTER APPLY (SELECT TOP 1 * FROM dbo.inspections i WHERE i.hive_id = h.hive_id ORDER BY i.inspected_at DESC) AS x
    CROSS APPLY STRING_SPLIT(h.tags, ',') AS s
    LEFT JOIN #tmp t ON t.id = h.id
    WHERE h.name LIKE N'%[a-z]%' ESCAPE '!'
    ORDER BY w DESC
    OFFSET 10 ROWS FETCH NEXT 5 ROWS ONLY
    OPTION (RECOMPILE, MAXDOP 1)
    EXEC dbo.other_proc @a = 1, @b = @count OUTPUT
    EXEC sp_executesql N'SELECT 1', N'@x int', @x = 1
    INSERT INTO #tmp (a) EXEC dbo.something 1, 'x'
    DELETE FROM h FROM dbo.hives h WHERE h.hive_id = 1
    MERGE INTO dbo.hives AS t USING (SELECT 1 AS id) AS s ON t.hive_id = s.id
      WHEN MATCHED AND t.name <> 'x' THEN UPDATE SET t.name = 'y'
      WHEN NOT MATCHED BY TARGET THEN INSERT (name) VALUES ('z')
      WHEN NOT MATCHED BY SOURCE THEN DELETE
      OUTPUT $action, inserted.*;
    PRINT 'done ' + CONVERT(varchar(20), @count)
    RETURN 0
END
GO
CREATE FUNCTION dbo.f(@a int) RETURNS TABLE AS RETURN (SELECT hive_id FROM dbo.hives WHERE hive_id > @a)
GO
CREATE TRIGGER dbo.tr ON dbo.hives AFTER INSERT, UPDATE AS
  IF UPDATE(name) UPDATE dbo.hives SET moved_on = GETDATE() FROM inserted i WHERE i.hive_id = hives.hive_id
GO
WITH c AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM c WHERE n < 5)
SELECT * INTO #x FROM c OPTION (MAXRECURSION 100);
SELECT [2025] AS y25, [2026] FROM (SELECT y, w FROM dbo.h) p PIVOT (SUM(w) FOR y IN ([2025], [2026])) AS pv
SELECT a.value('(/x)[1]', 'int'), IIF(a > 1, 'x', 'y'), CHOOSE(1, 'a') FROM t FOR XML PATH(''), TYPE
SELECT * FROM OPENJSON(@j) WITH (id int '$.id', name nvarchar(10) '$.name' ) AS j
SELECT * FROM dbo.h FOR SYSTEM_TIME AS OF '2026-01-01' WHERE 1=1
DECLARE cur CURSOR LOCAL FAST_FORWARD FOR SELECT hive_id FROM dbo.hives
OPEN cur
FETCH NEXT FROM cur INTO @id
WHILE @@FETCH_STATUS = 0
BEGIN
  FETCH NEXT FROM cur INTO @id
END
CLOSE cur
DEALLOCATE cur
ALTER TABLE dbo.hives ADD CONSTRAINT fk FOREIGN KEY (queen_id) REFERENCES dbo.queens (queen_id)
GRANT SELECT ON dbo.hives TO public
TRUNCATE TABLE dbo.x
SELECT x = 1, 'a' AS b WHERE NOT EXISTS (SELECT * FROM dbo.h)
UPDATE STATISTICS dbo.hives
dbo.some_proc 1, 2
GO 5
SELECT name FROM $(db).dbo.hives WHERE season = $(season);
CREATE TABLE $(db).dbo.hives_$(season) (hive_id int);
