-- dialect: postgres
-- checks: clause.limit-value
SELECT name FROM hives ORDER BY name LIMIT 2 OFFSET -5; -- want "clause.limit-value"
SELECT name FROM hives ORDER BY name OFFSET 2 ROWS FETCH NEXT -1 ROWS ONLY; -- want "clause.limit-value"
SELECT h.name FROM hives h ORDER BY h.name LIMIT h.frame_count; -- want "clause.limit-value"
SELECT (SELECT q.name FROM queens q ORDER BY q.name LIMIT h.frame_count - h.frame_count + 1) FROM hives h WHERE h.hive_id = 1;
SELECT name FROM hives ORDER BY name LIMIT 1.5 OFFSET 0;
SELECT name FROM hives ORDER BY name LIMIT ALL;
CREATE FUNCTION some_names(most int) RETURNS SETOF text LANGUAGE sql AS $$ SELECT name FROM hives ORDER BY name LIMIT most $$;
