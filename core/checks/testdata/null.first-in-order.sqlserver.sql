-- dialect: sqlserver
-- checks: null.first-in-order
SELECT TOP 3 name FROM queens ORDER BY mother_id; -- want "null.first-in-order"
SELECT TOP 3 name FROM queens ORDER BY mother_id DESC;
SELECT name FROM queens ORDER BY mother_id;
