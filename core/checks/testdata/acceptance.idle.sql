-- dialect: postgres
-- checks: acceptance.idle, null.equals, null.not-in-subquery
SELECT name FROM hives WHERE queen_id = NULL; /* lens: accept null.equals because no rows are wanted here */
SELECT name FROM hives WHERE queen_id = NULL; /* lens: accept null.not-in-subquery because no rows are wanted here */ -- want "acceptance.idle" "null.equals"
SELECT name FROM hives WHERE queen_id IS NULL; /* lens: accept null.equals because it was */ -- want "acceptance.idle"
-- lens: accept null.equals because both are wanted
SELECT name
FROM hives
WHERE queen_id = NULL
  AND moved_on = NULL;
SELECT name
FROM hives
WHERE
  /* lens: accept null.equals because the first is wanted */
  queen_id = NULL
  OR moved_on = NULL;
SELECT name
FROM hives
WHERE hive_id > 3
  /* lens: accept null.equals because no rows are wanted here */
  AND queen_id = NULL
  AND frame_count = NULL; -- want "null.equals"
SELECT name
FROM hives
/* lens: accept null.equals, null.not-in-subquery because the whole clause is */ -- want "acceptance.idle"
WHERE hive_id > 3
  AND queen_id = NULL;
CREATE FUNCTION calm() RETURNS integer LANGUAGE plpgsql AS $$
BEGIN
  /* lens: accept null.equals because the loader writes none */
  UPDATE hives SET moved_on = NULL
  WHERE queen_id = NULL;
  RETURN 1;
END $$;
SELECT name FROM hives; /* lens: accept null.equals because of what comes last */ -- want "acceptance.idle"
