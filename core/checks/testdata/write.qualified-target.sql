-- dialect: postgres
-- checks: write.qualified-target
UPDATE hives SET hives.name = 'Ash' WHERE hive_id = 1; -- want "write.qualified-target"
UPDATE hives h SET name = 'Ash', h.frame_count = 3 FROM queens q WHERE q.queen_id = h.queen_id; -- want "write.qualified-target"
INSERT INTO queens AS q (queen_id, name, bred_in) VALUES (1, 'Ada', 2020) ON CONFLICT (queen_id) DO UPDATE SET q.name = excluded.name; -- want "write.qualified-target"
INSERT INTO queens (queens.queen_id, queens.name, queens.bred_in) SELECT 901, 'Ada', 2020; -- want "write.qualified-target" "write.qualified-target" "write.qualified-target"
UPDATE hives SET name = hives.name || '!' WHERE hives.hive_id = 1;
CREATE TYPE lid AS (width int, tag text); CREATE TABLE swarms (swarm int, top lid); UPDATE swarms AS s SET top.width = 3; INSERT INTO swarms (swarm, top.width) VALUES (1, 3);
