-- dialect: postgres
-- checks: clause.no-return
CREATE FUNCTION queen_age(born integer) RETURNS integer LANGUAGE plpgsql AS $$ DECLARE age integer; BEGIN age := 2026 - born; END $$; -- want "clause.no-return"
CREATE FUNCTION queen_age2(born integer) RETURNS integer LANGUAGE plpgsql AS $$ BEGIN IF born > 0 THEN RETURN 2026 - born; END IF; END $$;
CREATE FUNCTION queen_names() RETURNS SETOF text LANGUAGE plpgsql AS $$ BEGIN RETURN QUERY SELECT name FROM queens; END $$;
CREATE FUNCTION queen_list() RETURNS TABLE (called text) LANGUAGE plpgsql AS $$ BEGIN NULL; END $$;
CREATE FUNCTION queen_count() RETURNS bigint LANGUAGE sql AS 'SELECT COUNT(*) FROM queens';
CREATE FUNCTION queen_born(INOUT n integer) LANGUAGE plpgsql AS $$ BEGIN n := n + 1; END $$;
DO $$ BEGIN PERFORM 1; END $$;
