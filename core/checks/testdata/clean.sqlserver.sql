-- dialect: sqlserver
-- Queries as careful people write them. Nothing is to be found in them.
SELECT TOP (5) h.name, h.frame_count FROM dbo.hives AS h ORDER BY h.frame_count DESC, h.hive_id;

SELECT a.name, COUNT_BIG(h.hive_id) AS hives FROM dbo.apiaries AS a LEFT JOIN dbo.hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id, a.name;

SELECT h.name, x.mites FROM dbo.hives AS h OUTER APPLY (SELECT TOP (1) i.mites FROM dbo.inspections AS i WHERE i.hive_id = h.hive_id ORDER BY i.inspected_at DESC, i.inspection_id) AS x;

SELECT k.name + COALESCE(', ' + k.village, '') AS title FROM dbo.keepers AS k WHERE k.joined_on >= '20200101' AND k.joined_on < '20210101';

UPDATE h SET h.frame_count = h.frame_count + 1 FROM dbo.hives AS h JOIN dbo.apiaries AS a ON a.apiary_id = h.apiary_id WHERE a.altitude_m > 300;

SELECT h.name FROM dbo.hives AS h ORDER BY h.hive_id OFFSET 20 ROWS FETCH NEXT 10 ROWS ONLY;
USE east
GO
CREATE TABLE dbo.swarm_s (swarm_id int)
GO
USE west
GO
CREATE TABLE dbo.swarm_s (code int); SELECT s.code FROM dbo.swarm_s AS s
GO
USE east
GO
SELECT s.swarm_id FROM dbo.swarm_s AS s
GO
