-- dialect: mariadb
SELECT hives.name FROM hives AS h; -- want "name.unknown-alias"
SELECT x.name FROM hives AS h; -- want "name.unknown-alias"
SELECT h.name FROM hives AS h WHERE q.colour = 'red'; -- want "name.unknown-alias"
SELECT h.name FROM hives AS h JOIN queens AS q ON que.queen_id = h.queen_id; -- want "name.unknown-alias"
SELECT h.name FROM hives AS h ORDER BY i.mites; -- want "name.unknown-alias"
UPDATE hives AS h SET name = 'Ash' WHERE hives.hive_id = 3; -- want "name.unknown-alias"
SELECT d.name FROM (SELECT h.name FROM hives AS h) AS d WHERE h.name = 'Ash'; -- want "name.unknown-alias"
SELECT hives.name FROM hives;
SELECT h.name FROM hives AS h WHERE EXISTS (SELECT 1 FROM queens AS q WHERE q.queen_id = h.queen_id);
SELECT d.name FROM hives AS h JOIN (SELECT name FROM queens) AS d ON d.name = h.name;
WITH heavy AS (SELECT hive_id FROM harvests) SELECT heavy.hive_id FROM heavy;
SELECT h.* FROM hives AS h;
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) SELECT queen_id + 100, name, 1, 1, 8 FROM queens AS q WHERE q.queen_id > 90 ON DUPLICATE KEY UPDATE name = q.name;
DELETE g FROM harvests AS g JOIN hives AS h ON h.hive_id = g.hive_id WHERE h.frame_count < 0;
SELECT x.* FROM hives AS h; -- want "name.unknown-alias"
SELECT RANK() OVER v FROM harvests WINDOW w AS (ORDER BY hive_id); -- want "name.unknown-alias"
SELECT RANK() OVER w FROM harvests WINDOW w AS (ORDER BY hive_id);
SELECT h.name FROM hives AS h, queens AS q JOIN keepers AS k ON k.keeper_id = h.keeper_id WHERE q.queen_id = h.queen_id; -- want "join.comma" "join.comma-precedence"
SELECT h.name FROM queens AS q, hives AS h JOIN keepers AS k ON k.keeper_id = h.keeper_id WHERE q.queen_id = h.queen_id; -- want "join.comma"
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) (SELECT queen_id + 100, name, 1, 1, 8 FROM queens AS q WHERE q.queen_id > 90) ON DUPLICATE KEY UPDATE name = q.name;
