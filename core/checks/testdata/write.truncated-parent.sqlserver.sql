-- dialect: sqlserver
-- checks: write.truncated-parent
TRUNCATE TABLE queens; -- want "write.truncated-parent"
TRUNCATE TABLE dbo.harvests;
TRUNCATE TABLE sales;
