-- dialect: sqlserver
-- checks: rows.many-for-one
DECLARE @n int; SET @n = (SELECT k.keeper_id FROM keepers AS k WHERE k.village = 'Elm'); -- want "rows.many-for-one"
DECLARE @m int; SET @m = (SELECT k.village FROM keepers AS k WHERE k.keeper_id = 3);
DECLARE @o int; SET @o = (SELECT COUNT(*) FROM keepers AS k WHERE k.village = 'Elm');
