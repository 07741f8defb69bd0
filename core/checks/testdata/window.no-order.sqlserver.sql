-- dialect: sqlserver
-- checks: window.no-order
SELECT ROW_NUMBER() OVER () AS n FROM hives; -- want "window.no-order"
SELECT ROW_NUMBER() OVER (ORDER BY (SELECT NULL)) AS n FROM hives;
