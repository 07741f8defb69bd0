-- dialect: postgres, possible
-- checks: index.optional-filter
SELECT name FROM hives h WHERE h.frame_count > 3 AND (h.name = $1 OR $1 IS NULL); -- want "index.optional-filter"
SELECT name FROM hives h WHERE COALESCE($1, queen_id) = h.queen_id; -- want "index.optional-filter"
SELECT name FROM hives h WHERE ($1 IS NULL OR h.name = $2);
SELECT name FROM hives h WHERE h.queen_id = COALESCE($1, h.hive_id) OR h.queen_id IS NULL;
SELECT name FROM hives h WHERE ($1 IS NOT NULL OR h.name = $1);
