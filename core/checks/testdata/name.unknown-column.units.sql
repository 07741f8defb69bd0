-- dialect: sqlserver
-- checks: name.unknown-column, syntax.unreadable
SELECT DATEDIFF(dd, taken_on, GETDATE()), DATEADD(mm, 1, taken_on), DATEPART(yy, taken_on), DATENAME(dw, taken_on), DATEDIFF_BIG(ms, taken_on, GETDATE()), DATETRUNC(qq, taken_on) FROM harvests;
SELECT DATEDIFF(dd, taken, GETDATE()) FROM harvests; -- want "name.unknown-column"
SELECT name, IDENTITY(int, 1, 1) AS place INTO #places FROM hives;
CREATE TABLE combs (built date, CHECK (DATEDIFF(dd, built, GETDATE()) > 0));
SELECT dd FROM harvests; -- want "name.unknown-column"
