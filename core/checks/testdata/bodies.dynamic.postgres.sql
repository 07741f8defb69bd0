-- dialect: postgres
DO $$ DECLARE n integer; BEGIN
  EXECUTE 'SELECT count(*) FROM hives WHERE queen_id = NULL AND name = ''Ash''' INTO n; -- want "null.equals"
  EXECUTE 'DELETE FROM harvests WHERE hive_id = $1' USING -1;
  EXECUTE 'DELETE FROM ' || quote_ident('harvests') || ' WHERE hive_id = NULL';
  EXECUTE format('DELETE FROM %I WHERE hive_id = -1', 'harvests');
END $$;
