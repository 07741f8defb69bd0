-- dialect: postgres
SELECT hive_id, name frame_count FROM hives; -- want "name.missing-comma-alias"
SELECT hive_id
     , name -- want "name.missing-comma-alias"
       frame_count
FROM hives;
SELECT h.name weight_kg FROM hives h JOIN harvests g ON g.hive_id = h.hive_id;
SELECT name AS frame_count, hive_id AS name FROM hives;
SELECT hive_id, name hive_name FROM hives;
SELECT h.name name FROM hives h;
SELECT MAX(frame_count) frame_count FROM hives;
SELECT name "frame_count" FROM hives;
SELECT name frame_count FROM unknown_things; -- want "name.unknown-table"
SELECT q.queen_id, h.name hive_id FROM queens q JOIN hives h ON h.queen_id = q.queen_id; -- want "name.missing-comma-alias"
