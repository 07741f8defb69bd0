-- dialect: sqlserver
-- sp_rename changes what is known; a column glued to -- is no remark.
SELECT h.frame_count, 0--h.frame_count -- want "syntax.minus-minus"
FROM hives AS h;
EXEC sp_rename 'dbo.hives.frame_count', 'frames', 'COLUMN';
SELECT h.frames FROM dbo.hives AS h;
SELECT h.frame_count FROM dbo.hives AS h; -- want "name.unknown-column"
EXEC sys.sp_rename N'[hives].[frames]', 'frames_now', N'COLUMN'; SELECT h.frames_now FROM hives AS h;
EXEC sp_rename 'hives.by_name', 'by_hive_name', 'INDEX'; SELECT h.frames_now FROM hives AS h;
EXEC sp_rename 'dbo.queens', 'mothers'; SELECT q.colour FROM mothers AS q;
SELECT q.colour FROM queens AS q; -- want "name.unknown-table"
EXEC sp_rename @objname = 'dbo.hives.name', @newname = 'called';
SELECT o.k FROM OPENJSON('[]') WITH (k int '$.k') AS o;
SELECT o.m FROM OPENJSON('[]') WITH (k int '$.k') AS o; -- want "name.unknown-column"
SELECT dbo.keepers.name FROM dbo.keepers AS k; -- want "name.unknown-alias"
