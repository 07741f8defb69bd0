-- dialect: postgres
-- checks: rows.constant-subquery
DELETE FROM treatments WHERE hive_id IN (SELECT 1 FROM hives WHERE frame_count < 2); -- want "rows.constant-subquery"
SELECT name FROM hives h WHERE (SELECT ('x') FROM queens q WHERE q.queen_id = h.queen_id) <> h.name; -- want "rows.constant-subquery"
SELECT name FROM hives WHERE 1 IN (SELECT 1 FROM queens);
SELECT name FROM hives WHERE hive_id = (SELECT COUNT(*) FROM queens);
SELECT name FROM hives WHERE hive_id IN (SELECT NULL::integer FROM queens);
SELECT name FROM hives WHERE EXISTS (SELECT 1 FROM queens WHERE queens.queen_id = hives.queen_id);
