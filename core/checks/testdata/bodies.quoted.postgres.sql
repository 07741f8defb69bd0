-- dialect: postgres
CREATE FUNCTION light() RETURNS bigint LANGUAGE sql AS '
  -- the queen''s hives
  SELECT count(*) FROM hives WHERE name <> ''Ash'' AND queen_id = NULL'; -- want "null.equals"
CREATE FUNCTION find_hive() RETURNS integer LANGUAGE plpgsql AS '
BEGIN
  IF EXISTS (SELECT 1 FROM hives WHERE name = ''Ash'' AND frame_count > 8 OR name = ''it''''s'') THEN -- want "logic.and-or"
    RAISE NOTICE ''found'';
  END IF;
  RETURN (SELECT max(hive_id) FROM hives WHERE ''Oak'' = NULL); -- want "null.equals"
END';
CREATE FUNCTION rename_hives() RETURNS void LANGUAGE sql AS 'UPDATE hives SET name = '''' WHERE name = ''''''Ash''''''';
CREATE FUNCTION to_date_text() RETURNS date LANGUAGE sql AS 'SELECT max(inspected_at)::date FROM inspections WHERE to_char(inspected_at, ''YYYY'') = ''2026'''; -- want "index.function-on-column"
DO 'BEGIN DELETE FROM harvests WHERE hive_id IN (SELECT hive_id FROM hives WHERE name = ''Ash'' OR queen_id <> NULL); END'; -- want "null.equals"
