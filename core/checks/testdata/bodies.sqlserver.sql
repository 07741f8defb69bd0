-- dialect: sqlserver
-- checks: syntax.other-dialect, null.equals, name.unknown-column, name.unknown-table, syntax.unreadable, syntax.unbalanced, syntax.reserved-name, rows.subquery-width, name.unnamed-output
CREATE OR ALTER VIEW dbo.first_names AS SELECT k.nmae FROM dbo.keepers AS k; -- want "name.unknown-column"
GO
ALTER VIEW dbo.kilos AS SELECT g.hive_id, SUM(g.weight_kg) FROM dbo.harvests AS g GROUP BY g.hive_id; -- want "name.unnamed-output"
GO
SELECT v.hive_id FROM dbo.kilos AS v;
GO
CREATE OR ALTER PROCEDURE dbo.tidy AS DELETE FROM dbo.hives WHERE moved_on = NULL; -- want "null.equals"
GO
CREATE OR ALTER FUNCTION dbo.heavy (@hive int)
RETURNS TABLE
AS
RETURN
(
    SELECT g.weight_kg, g.taken_on
    FROM dbo.harvests AS g
    WHERE g.hive_id = @hive
);
GO
BEGIN TRY UPDATE dbo.hives SET frame_count = 0 WHERE hive_id = 1; END TRY BEGIN CATCH THROW; END CATCH
GO
DECLARE @done TABLE (what nvarchar(10), code int);
MERGE dbo.buyers AS t USING (VALUES (1)) AS s (id) ON s.id = t.buyer_id WHEN MATCHED THEN DELETE OUTPUT $action, deleted.buyer_id INTO @done (what, code);
GO
CREATE TABLE dbo.visits (a int NOT NULL, b AS (a * 2) PERSISTED, INDEX by_a NONCLUSTERED (a) INCLUDE (b));
CREATE INDEX by_b ON dbo.visits (a)
WITH (PAD_INDEX = OFF);
GO
DECLARE @x xml = N'<a/>'; SELECT t.c.value('@id', 'int') AS id FROM @x.nodes('/a') AS t(c);
GO
DECLARE @n int = (SELECT COUNT(*) FROM dbo.hives AS h WHERE h.moved_on = NULL); -- want "null.equals"
WITH RECURSIVE t AS (SELECT 1 AS n UNION ALL SELECT t.n + 1 FROM t WHERE t.n < 5) SELECT t.n FROM t; -- want "syntax.other-dialect"
