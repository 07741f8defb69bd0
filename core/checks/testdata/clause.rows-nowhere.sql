-- dialect: postgres
-- checks: clause.rows-nowhere
DO $$ BEGIN SELECT name FROM hives; END $$; -- want "clause.rows-nowhere"
DO $$ BEGIN IF true THEN SELECT set_config('bees.season', 'spring', true); END IF; END $$; -- want "clause.rows-nowhere"
DO $$ BEGIN WITH h AS (SELECT 1 AS n) SELECT n FROM h; END $$; -- want "clause.rows-nowhere"
DO $$ BEGIN FOR i IN 1 .. 2 LOOP SELECT i; END LOOP; END $$; -- want "clause.rows-nowhere"
DO $$ DECLARE n int; c CURSOR FOR SELECT name FROM hives; r record; BEGIN
  SELECT COUNT(*) FROM hives INTO n; SELECT 1 INTO n; PERFORM n; n := (SELECT 1); PERFORM 1 WHERE EXISTS (SELECT 1);
  OPEN c; CLOSE c; FOR r IN SELECT name FROM hives LOOP NULL; END LOOP;
END $$;
CREATE FUNCTION swarm_one() RETURNS int LANGUAGE sql AS $$ SELECT 1; SELECT 2 $$;
CREATE FUNCTION swarm_two() RETURNS int LANGUAGE sql BEGIN ATOMIC SELECT 1; SELECT 2; END;
CREATE FUNCTION swarm_all() RETURNS SETOF int LANGUAGE plpgsql AS $$ BEGIN RETURN QUERY SELECT hive_id FROM hives; END $$;
CREATE FUNCTION swarm_none() RETURNS int LANGUAGE plpgsql AS $$ BEGIN SELECT 1; RETURN 1; END $$; -- want "clause.rows-nowhere"
EXPLAIN SELECT name FROM hives;
