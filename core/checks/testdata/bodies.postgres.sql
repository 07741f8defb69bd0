-- dialect: postgres
-- checks: null.equals, name.unknown-column, name.unknown-alias, group.ungrouped-column, syntax.unreadable, name.unnamed-output
DO $$ BEGIN UPDATE hives SET frame_count = 1 WHERE name = NULL; END; $$; -- want "null.equals"
CREATE FUNCTION first_names() RETURNS SETOF text LANGUAGE sql AS $$ SELECT k.nmae FROM keepers AS k $$; -- want "name.unknown-column"
CREATE FUNCTION doubled(n integer) RETURNS integer LANGUAGE sql AS 'SELECT n * 2';
CREATE FUNCTION empty_hives() RETURNS bigint AS 'SELECT COUNT(*) FROM hives AS h WHERE h.moved_on = NULL' LANGUAGE sql; -- want "null.equals"
CREATE FUNCTION tidy(wanted integer) RETURNS integer AS $body$
DECLARE
  n integer := 0;
  r record;
  late CURSOR FOR SELECT h.nmae FROM hives AS h; -- want "name.unknown-column"
BEGIN
  IF wanted IS NULL THEN RAISE EXCEPTION 'none but %', wanted; END IF;
  FOR r IN SELECT h.hive_id, h.name FROM hives AS h WHERE h.apiary_id = wanted LOOP
    n := n + 1;
    UPDATE hives SET name = r.name WHERE hive_id = r.hive_id;
    PERFORM k.vilage FROM keepers AS k WHERE k.keeper_id = r.hive_id; -- want "name.unknown-column"
    CONTINUE WHEN n > 4;
  END LOOP;
  FOR r IN SELECT * FROM hives LOOP n := r.hive_id; END LOOP;
  FOR i IN 1..10 LOOP n := n + i; END LOOP;
  CASE n WHEN 1, 2 THEN NULL; ELSE n = 5; END CASE;
  WHILE n < 5 LOOP n := n + 1; EXIT WHEN n = 3; END LOOP;
  n := COUNT(*) FROM hives WHERE hive_id = wanted;
  IF wanted > hive_id FROM hives WHERE name = NULL THEN n := 0; END IF; -- want "null.equals"
  SELECT INTO n frame_count FROM hives WHERE hive_id = wanted;
  SELECT wanted, n, COUNT(*) INTO STRICT r FROM hives;
  INSERT INTO buyers (name) VALUES ('Ida') RETURNING buyer_id INTO n;
  EXECUTE 'SELECT 1' INTO n USING wanted;
  GET DIAGNOSTICS n = ROW_COUNT;
  IF NOT FOUND THEN RETURN 0; ELSIF n = 3 THEN RETURN 1; ELSE RETURN (SELECT 5); END IF;
EXCEPTION WHEN unique_violation THEN
  RETURN -1;
END;
$body$ LANGUAGE plpgsql STABLE SET search_path = public;
CREATE FUNCTION kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.name IS NULL THEN NEW.name := OLD.name; END IF;
  RETURN NEW;
END $$;
CREATE FUNCTION words() RETURNS text LANGUAGE plpgsql AS $$ BEGIN RETURN 'it is'; END $$;
SELECT name FROM hives WHERE name = NULL; -- want "null.equals"
CREATE FUNCTION halved() RETURNS integer LANGUAGE sql AS $$ SELECT FROM hives WHERE $$; -- want "syntax.unreadable"
SELECT a.name FROM apiaries AS a;
