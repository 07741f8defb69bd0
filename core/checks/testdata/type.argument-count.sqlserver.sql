-- dialect: sqlserver
SELECT ISNULL(mites, 0, 1), DATEADD(day, 1, inspected_at), LEN(remark, 2), GETDATE(), ROUND(mites, 0) FROM inspections; -- want "type.argument-count" "type.argument-count"
SELECT DATEDIFF(day, inspected_at) FROM inspections; -- want "type.argument-count"
