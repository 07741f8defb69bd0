-- dialect: sqlserver
-- checks: logic.condition-as-value, logic.chained-comparison, group.count-else, write.set-and
SELECT name, frame_count >= 10 AS large FROM hives; -- want "logic.condition-as-value"
SELECT name, (queen_id IS NULL) AS queenless FROM hives; -- want "logic.condition-as-value"
SELECT name, name LIKE 'A%' AS a, frame_count IN (8, 10) AS usual FROM hives; -- want "logic.condition-as-value" "logic.condition-as-value"
SELECT name FROM hives ORDER BY frame_count BETWEEN 8 AND 10; -- want "logic.condition-as-value"
SELECT SUM(temper > 3) AS bad FROM inspections; -- want "logic.condition-as-value"
SELECT name FROM keepers AS k WHERE EXISTS (SELECT 1 FROM hives AS h WHERE h.keeper_id = k.keeper_id) = 0; -- want "logic.condition-as-value"
UPDATE hives SET frame_count = NOT (queen_id = 3) WHERE hive_id = 1; -- want "logic.condition-as-value"
-- Where a condition may stand.
SELECT CASE WHEN frame_count > 10 AND NOT queen_id = 3 THEN 1 ELSE 0 END AS large FROM hives WHERE NOT EXISTS (SELECT 1 FROM harvests WHERE weight_kg > 30);
SELECT IIF(frame_count > 10, 'large', 'small') AS size FROM hives;
SELECT large = frame_count FROM hives;
DECLARE @n int; SELECT @n = frame_count FROM hives WHERE hive_id = 1;
ALTER TABLE hives ADD CHECK (frame_count > 0 OR queen_id IS NULL);
MERGE buyers AS b USING keepers AS k ON b.buyer_id = k.keeper_id WHEN MATCHED AND b.name <> k.name THEN UPDATE SET name = k.name;
