-- dialect: postgres
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id, weight_kg FROM harvests); -- want "rows.subquery-width"
SELECT name FROM hives WHERE hive_id IN (SELECT * FROM harvests); -- want "rows.subquery-width"
SELECT name FROM hives WHERE hive_id = (SELECT hive_id, weight_kg FROM harvests WHERE harvest_id = 1); -- want "rows.subquery-width"
SELECT name, (SELECT taken_on, weight_kg FROM harvests g WHERE g.harvest_id = 1) FROM hives; -- want "rows.subquery-width"
SELECT COALESCE((SELECT taken_on, weight_kg FROM harvests g WHERE g.harvest_id = 1), NULL) FROM hives; -- want "rows.subquery-width"
UPDATE hives SET frame_count = (SELECT queen_id, 1 FROM queens) WHERE hive_id = -1; -- want "rows.subquery-width"
WITH heavy (hive, kg) AS (SELECT hive_id FROM harvests) SELECT hive FROM heavy; -- want "rows.subquery-width"
SELECT name FROM hives h WHERE EXISTS (SELECT hive_id, weight_kg FROM harvests g WHERE g.hive_id = h.hive_id);
SELECT name FROM hives WHERE (hive_id, frame_count) IN (SELECT hive_id, weight_kg FROM harvests);
UPDATE hives SET (frame_count, moved_on) = (SELECT 8, CURRENT_DATE) WHERE hive_id = -1;
SELECT ARRAY(SELECT hive_id FROM hives);
WITH heavy (hive) AS (SELECT hive_id, weight_kg FROM harvests) SELECT hive FROM heavy;
SELECT name FROM hives WHERE hive_id = ANY (SELECT hive_id FROM harvests);
SELECT (hive_id, frame_count) = (SELECT 1, 2) FROM hives;
UPDATE hives SET (frame_count, queen_id) = (SELECT 3, queen_id FROM queens LIMIT (SELECT 1)) WHERE hive_id = -1; -- want "rows.limit-unordered"
SELECT name FROM hives WHERE (hive_id, frame_count) IN ((SELECT 1, 8), (1, 2)); -- want "rows.subquery-width"
SELECT name FROM hives WHERE (SELECT 1, 8) = (hive_id, frame_count); -- want "rows.subquery-width"
SELECT name FROM hives WHERE (hive_id, frame_count) = (SELECT 1, 8);
SELECT name FROM hives WHERE (hive_id, frame_count) BETWEEN (SELECT 1, 8) AND (2, 9);
VALUES ((SELECT MIN(hive_id), MAX(hive_id) FROM hives)); -- want "rows.subquery-width"
CREATE VIEW hive_names (hive, kind) AS SELECT name FROM hives; -- want "rows.subquery-width"
CREATE VIEW named_hives (hive) AS SELECT name, hive_id FROM hives;
