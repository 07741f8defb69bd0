-- dialect: mariadb
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (9, 'Ash', 1, 1, 8) ON CONFLICT DO NOTHING; -- want "syntax.other-dialect"
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (9, 'Ash', 1, 1, 8) ON CONFLICT (hive_id) DO UPDATE SET name = 'Ash'; -- want "syntax.other-dialect"
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (9, 'Ash', 1, 1, 8) ON DUPLICATE KEY UPDATE name = 'Ash';
SELECT name FROM hives ORDER BY name LIMIT 5 OFFSET 2;
SELECT name FROM hives ORDER BY name FETCH FIRST 3 ROWS ONLY;
SELECT name FROM hives EXCEPT SELECT name FROM queens;
SELECT name FROM hives WHERE frame_count IS DISTINCT FROM 8; -- want "syntax.other-dialect"
SELECT name FROM hives WHERE frame_count IS NOT DISTINCT FROM queen_id AND apiary_id = 1; -- want "syntax.other-dialect"
SELECT name, frame_count IS DISTINCT FROM 8 AS other FROM hives; -- want "syntax.other-dialect"
SELECT h.name FROM hives h WHERE h.frame_count IS h.queen_id; -- want "syntax.other-dialect"
SELECT name FROM hives WHERE frame_count <=> queen_id;
UPDATE hives SET name = q.name FROM queens q WHERE q.queen_id = hives.queen_id; -- want "syntax.other-dialect"
UPDATE hives SET (name, frame_count) = ('Ash', 8) WHERE hive_id = 1; -- want "syntax.other-dialect"
SELECT name FROM hives h FOR UPDATE OF h; -- want "syntax.other-dialect"
SELECT name FROM hives WHERE frame_count = ANY (1, 2); -- want "syntax.other-dialect"
INSERT INTO queens SET queen_id = 901, name = 'Ada', bred_in = 2020;
SELECT name FROM hives FOR UPDATE;
MERGE INTO hives h USING queens q ON h.queen_id = q.queen_id WHEN MATCHED THEN UPDATE SET name = q.name; -- want "syntax.other-dialect"
SELECT name INTO new_names FROM hives; -- want "syntax.other-dialect"
SELECT name INTO @first FROM hives ORDER BY name LIMIT 1;
UPDATE hives SET frame_count = 8 ORDER BY hive_id LIMIT 5;
DELETE i FROM inspections i WHERE i.inspection_id = 1;
INSERT INTO swarms DEFAULT VALUES; -- want "name.unknown-table" "syntax.other-dialect"
