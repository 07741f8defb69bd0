-- dialect: postgres
-- checks: safety.built-text
CREATE FUNCTION count_of(t text, n integer) RETURNS bigint LANGUAGE plpgsql AS $$
DECLARE found bigint;
BEGIN
  EXECUTE 'SELECT COUNT(*) FROM ' || t || ' WHERE hive_id > ' || n INTO found; -- want "safety.built-text"
  EXECUTE 'SELECT COUNT(*) FROM ' || quote_ident(t) INTO found;
  EXECUTE format('SELECT COUNT(*) FROM %I', t) INTO found;
  RETURN found;
END $$;
PREPARE one AS SELECT name FROM hives WHERE hive_id = 1;
