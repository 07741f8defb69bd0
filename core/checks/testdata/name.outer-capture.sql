-- dialect: postgres
SELECT name FROM hives WHERE queen_id IN (SELECT queen_id FROM inspections); -- want "name.outer-capture"
SELECT name FROM hives WHERE frame_count > ALL (SELECT frame_count FROM inspections WHERE mites > 3); -- want "name.outer-capture"
SELECT h.name FROM hives AS h WHERE EXISTS (SELECT 1 FROM inspections AS i WHERE i.mites > frame_count); -- want "name.outer-capture"
SELECT name FROM hives WHERE EXISTS (SELECT 1 FROM harvests WHERE harvests.weight_kg > frame_count AND harvests.hive_id = hives.hive_id); -- want "name.outer-capture"
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM inspections);
SELECT name, (SELECT name) AS again FROM hives;
SELECT name FROM hives AS h WHERE EXISTS (SELECT 1 FROM inspections AS i WHERE i.hive_id = h.hive_id);
SELECT name FROM hives WHERE queen_id IN (SELECT queen_id FROM unknown_things); -- want "name.unknown-table"
SELECT h.name FROM hives AS h WHERE EXISTS (SELECT 1 FROM inspections AS h WHERE h.mites > frame_count); -- want "name.outer-capture"
SELECT name FROM hives WHERE hives.queen_id IN (SELECT hives.queen_id FROM inspections);
SELECT h.apiary_id FROM hives AS h GROUP BY h.apiary_id HAVING (SELECT MAX(frame_count) FROM inspections AS i WHERE i.inspection_id = 1) > 10; -- want "name.outer-capture"
