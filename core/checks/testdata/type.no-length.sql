-- dialect: sqlserver
-- checks: type.no-length, type.length
CREATE PROCEDURE by_village @village nvarchar AS SELECT name FROM keepers WHERE village = @village; -- want "type.no-length"
DECLARE @v varchar, @n varchar(10); SET @v = 'Elm'; -- want "type.no-length"
DECLARE @w AS NVARCHAR = 'Elm'; -- want "type.no-length"
SELECT CONVERT(varchar, remark) AS remark FROM inspections; -- want "type.no-length"
SELECT CAST(name AS nvarchar) AS name FROM keepers; -- want "type.no-length"
ALTER TABLE hives ADD note varchar NULL; -- want "type.no-length"
SELECT CAST(frame_count AS varchar) AS n, CONVERT(varchar, taken_on, 112) AS day, CAST(colour AS varchar) AS colour FROM hives, harvests, queens;
DECLARE @c char, @m varchar(max), @t TABLE (id int); SELECT CAST(name AS varchar(40)) AS name FROM keepers;
