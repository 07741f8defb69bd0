-- dialect: sqlserver
-- checks: safety.silenced-error
CREATE PROCEDURE forget @id int AS BEGIN BEGIN TRY DELETE FROM sales WHERE sale_id = @id; END TRY BEGIN CATCH END CATCH END; -- want "safety.silenced-error"
CREATE PROCEDURE forget_all @id int AS BEGIN BEGIN TRY DELETE FROM sales WHERE sale_id = @id; END TRY BEGIN CATCH PRINT ERROR_MESSAGE(); END CATCH END;
