-- dialect: postgres
-- checks: syntax.unreadable, syntax.missing-comma, syntax.reserved-name, syntax.unbalanced, name.unknown-column, name.unknown-alias, name.unknown-table, group.ungrouped-column, rows.subquery-width, write.set-and
CREATE FUNCTION every_statement(wanted integer, OUT total bigint, VARIADIC others integer[] DEFAULT '{}') RETURNS bigint
LANGUAGE plpgsql STRICT PARALLEL UNSAFE COST 50 AS $body$
#variable_conflict use_column
<<outer_block>>
DECLARE
  limit_kg CONSTANT numeric(8, 2) NOT NULL := 3.5;
  hive hives%ROWTYPE;
  hive_name hives.name%TYPE;
  counted integer DEFAULT (SELECT COUNT(*) FROM hives WHERE apiary_id = 1);
  rec record;
  list integer[] := ARRAY[1, 2, 3];
  pair text[][];
  late CURSOR (low integer, high integer) FOR SELECT h.hive_id, h.name FROM hives AS h WHERE h.hive_id BETWEEN low AND high;
  free refcursor;
  wanted_alias ALIAS FOR wanted;
  message text;
  context text;
BEGIN
  counted := wanted + list[1] * 2;
  counted = counted - 1;
  list[2] := counted;
  hive.name := 'Ash';
  SELECT h.* INTO hive FROM hives AS h WHERE h.hive_id = wanted;
  SELECT h.name, COUNT(*) INTO STRICT hive_name, counted FROM hives AS h GROUP BY h.name HAVING COUNT(*) > wanted LIMIT 1;
  IF hive.name IS NULL OR NOT FOUND THEN
    RAISE NOTICE 'hive % of % is gone', wanted, counted USING HINT = 'look again', ERRCODE = 'P0001';
  ELSIF counted > 3 AND EXISTS (SELECT 1 FROM inspections AS i WHERE i.hive_id = wanted) THEN
    RAISE WARNING USING MESSAGE = 'many';
  ELSEIF counted BETWEEN 1 AND 2 THEN
    NULL;
  ELSE
    RAISE division_by_zero;
  END IF;
  CASE counted WHEN 1, 2 THEN counted := 3; WHEN 4 THEN NULL; ELSE counted := 5; END CASE;
  CASE WHEN counted > 3 THEN counted := 1; WHEN wanted IS NULL THEN NULL; END CASE;
  <<again>>
  LOOP
    counted := counted + 1;
    EXIT again WHEN counted > 9;
    CONTINUE again WHEN counted % 2 = 0;
    EXIT;
  END LOOP again;
  WHILE counted > 0 AND NOT (SELECT h.moved_on IS NULL FROM hives AS h WHERE h.hive_id = counted) LOOP
    counted := counted - 1;
  END LOOP;
  FOR i IN REVERSE 10..1 BY 2 LOOP counted := counted + i; END LOOP;
  FOR i IN counted..counted + 3 LOOP UPDATE hives SET frame_count = i WHERE hive_id = i; END LOOP;
  FOR rec IN SELECT h.hive_id, h.name FROM hives AS h ORDER BY h.name LOOP
    INSERT INTO inspections (inspection_id, hive_id, inspected_at) VALUES (rec.hive_id, rec.hive_id, now());
  END LOOP;
  FOR rec IN WITH t AS (SELECT k.name FROM keepers AS k) SELECT t.name FROM t LOOP message := rec.name; END LOOP;
  FOR rec IN VALUES (1), (2) LOOP counted := rec.column1; END LOOP;
  FOR rec IN late (1, 2) LOOP counted := rec.hive_id; END LOOP;
  FOR rec IN EXECUTE 'SELECT 1 AS n FROM ' || quote_ident('hives') USING wanted LOOP counted := rec.n; END LOOP;
  FOREACH counted IN ARRAY list LOOP total := counted; END LOOP;
  FOREACH list SLICE 1 IN ARRAY pair LOOP counted := list[1]; END LOOP;
  OPEN late (1, 2);
  FETCH late INTO counted, hive_name;
  MOVE FORWARD 2 FROM late;
  CLOSE late;
  OPEN free FOR SELECT h.name FROM hives AS h WHERE h.hive_id = wanted;
  OPEN free NO SCROLL FOR EXECUTE 'SELECT 1' USING wanted;
  FETCH NEXT FROM free INTO rec;
  UPDATE hives SET frame_count = 1 WHERE CURRENT OF free;
  DELETE FROM hives WHERE CURRENT OF free;
  PERFORM pg_notify('hives', wanted::text);
  PERFORM h.name, COUNT(*) FROM hives AS h GROUP BY h.name;
  EXECUTE format('DELETE FROM %I WHERE hive_id = $1', 'hives') USING wanted;
  EXECUTE 'SELECT COUNT(*) FROM hives' INTO STRICT counted;
  INSERT INTO buyers (buyer_id, name) VALUES (wanted, 'Ida') ON CONFLICT DO NOTHING RETURNING buyer_id INTO counted;
  UPDATE hives AS h SET name = q.colour FROM queens AS q WHERE q.queen_id = h.queen_id RETURNING h.hive_id, h.name INTO counted, message;
  DELETE FROM buyers WHERE buyer_id = wanted RETURNING name INTO message;
  WITH gone AS (DELETE FROM buyers RETURNING name) SELECT COUNT(*) INTO counted FROM gone;
  GET DIAGNOSTICS counted = ROW_COUNT;
  counted := COUNT(*) FROM hives WHERE apiary_id = wanted;
  total := SUM(v.weight_kg) FROM harvests AS v JOIN hives AS h ON h.hive_id = v.hive_id WHERE h.apiary_id = wanted GROUP BY h.apiary_id ORDER BY 1 LIMIT 1;
  IF counted > (SELECT AVG(h.frame_count) FROM hives AS h) THEN counted := 0; END IF;
  IF frame_count > 8 FROM hives WHERE hive_id = wanted THEN counted := 1; END IF;
  ASSERT counted IS NOT NULL, 'nothing counted';
  BEGIN
    counted := 1 / 0;
  EXCEPTION
    WHEN division_by_zero OR unique_violation THEN
      GET STACKED DIAGNOSTICS message = MESSAGE_TEXT, context = PG_EXCEPTION_CONTEXT;
    WHEN SQLSTATE '22012' THEN NULL;
    WHEN OTHERS THEN
      RAISE;
  END;
  DECLARE
    inner_total bigint := 0;
  BEGIN
    total := inner_total + outer_block.counted;
  END;
  CREATE TEMP TABLE IF NOT EXISTS found_hives AS SELECT h.hive_id FROM hives AS h;
  INSERT INTO found_hives SELECT h.hive_id FROM hives AS h WHERE h.hive_id = ANY (list);
  DROP TABLE found_hives;
  LOCK TABLE hives IN SHARE MODE;
  RETURN;
END outer_block;
$body$;
CREATE FUNCTION several() RETURNS TABLE (hive integer, kg numeric) LANGUAGE plpgsql AS $$
BEGIN
  RETURN QUERY SELECT v.hive_id, SUM(v.weight_kg) FROM harvests AS v GROUP BY v.hive_id;
  IF NOT FOUND THEN RETURN QUERY EXECUTE 'SELECT 1, 2.0'; END IF;
  hive := 1;
  RETURN NEXT;
  RETURN QUERY VALUES (1, 2.0), (3, 4.0);
  RETURN QUERY WITH t AS (SELECT 1 AS n) SELECT t.n, 2.0 FROM t;
END $$;
CREATE FUNCTION only_sql(wanted integer) RETURNS SETOF hives LANGUAGE sql STABLE AS $_$
  SELECT h.* FROM hives AS h WHERE h.hive_id = wanted OR h.hive_id = $1;
  SELECT h.* FROM hives AS h WHERE h.hive_id = only_sql.wanted ORDER BY h.name; -- the last one counts
$_$;
CREATE PROCEDURE tidy() LANGUAGE plpgsql AS $$ BEGIN DELETE FROM buyers WHERE name = ''; COMMIT; END $$;
CREATE FUNCTION on_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'INSERT' OR OLD.name IS DISTINCT FROM NEW.name THEN
    INSERT INTO inspections (inspection_id, hive_id, inspected_at, remark) SELECT NEW.hive_id, h.hive_id, now(), NEW.name FROM hives AS h WHERE h.hive_id = NEW.hive_id;
    NEW.name := upper(NEW.name) || TG_ARGV[0];
  END IF;
  RETURN CASE TG_OP WHEN 'DELETE' THEN OLD ELSE NEW END;
END $$;
DO LANGUAGE plpgsql $$ DECLARE n integer; BEGIN SELECT COUNT(*) INTO n FROM hives; RAISE NOTICE '%', n; END $$;
DO 'BEGIN NULL; END';
CREATE FUNCTION in_c(integer) RETURNS integer LANGUAGE internal AS 'int4abs';
