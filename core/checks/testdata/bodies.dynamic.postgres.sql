-- dialect: postgres
DO $$ DECLARE n integer; BEGIN
  EXECUTE 'SELECT count(*) FROM hives WHERE queen_id = NULL AND name = ''Ash''' INTO n; -- want "null.equals"
  EXECUTE 'DELETE FROM harvests WHERE hive_id = $1' USING -1;
  EXECUTE 'DELETE FROM ' || quote_ident('harvests') || ' WHERE hive_id = NULL';
  EXECUTE format('DELETE FROM %I WHERE hive_id = -1', 'harvests');
END $$;
CREATE FUNCTION names_of(apiary integer) RETURNS SETOF text LANGUAGE plpgsql AS $$ DECLARE r record; BEGIN
  FOR r IN EXECUTE 'SELECT hive_id FROM hives WHERE queen_id = NULL AND apiary_id = $1' USING apiary LOOP -- want "null.equals"
    UPDATE hives SET name = 'Ash' WHERE queen_id <> NULL; -- want "null.equals"
  END LOOP;
  FOR r IN EXECUTE 'SELECT hive_id FROM ' || 'hives' LOOP NULL; END LOOP;
  RETURN QUERY EXECUTE 'SELECT name FROM hives WHERE NULL = queen_id'; -- want "null.equals"
  RETURN QUERY EXECUTE format('SELECT name FROM %I', 'hives');
END $$;
