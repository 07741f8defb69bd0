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
