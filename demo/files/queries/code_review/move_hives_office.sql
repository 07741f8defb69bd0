-- The same work as the office has it, on SQL Server.
CREATE PROCEDURE dbo.move_hives @from_apiary int, @to_apiary int, @keeper int = NULL
AS
BEGIN
  DECLARE @moved int = 0;

  SELECT TOP (5) h.hive_id, h.frame_count
  INTO #chosen
  FROM dbo.hives AS h
  WHERE h.apiary_id = @from_apiary
    AND (@keeper IS NULL OR h.keeper_id = @keeper);

  UPDATE dbo.hives
  SET apiary_id = @to_apiary,
      moved_on = GETDATE(),
      apiary_id = @to_apiary
  WHERE hive_id IN (SELECT hive_id FROM #chosen);

  SELECT c.hive_id,
         ROW_NUMBER() OVER (PARTITION BY h.apiary_id) AS place,
         h.name + ', ' + q.colour AS title,
         h.frame_count ^ 2 AS room
  FROM #chosen AS c
  JOIN dbo.hives AS h ON h.hive_id = c.hive_id
  LEFT JOIN dbo.queens AS q ON q.queen_id = h.queen_id
  WHERE q.colour <> 'blue'
  ORDER BY 2;
END
