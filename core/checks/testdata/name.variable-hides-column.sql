-- dialect: postgres
CREATE FUNCTION frames_of(hive_id integer) RETURNS bigint LANGUAGE plpgsql AS $$ BEGIN RETURN (SELECT SUM(frame_count) FROM hives WHERE hive_id = hive_id); END $$; -- want "name.variable-hides-column"
CREATE FUNCTION frames_of_2(hive_id integer) RETURNS integer LANGUAGE sql AS $$ SELECT frame_count FROM hives WHERE hive_id = hive_id $$; -- want "name.variable-hides-column"
CREATE FUNCTION frames_of_3(hive_id integer) RETURNS integer LANGUAGE sql AS $$ SELECT frame_count FROM hives h WHERE h.hive_id = hive_id $$; -- want "name.variable-hides-column"
CREATE FUNCTION frames_of_4(hive_id integer) RETURNS integer LANGUAGE sql AS $$ SELECT frame_count FROM hives WHERE hives.hive_id = frames_of_4.hive_id $$;
CREATE FUNCTION hives_of(k integer) RETURNS TABLE (hive_id integer) LANGUAGE plpgsql AS $$ BEGIN RETURN QUERY SELECT h.hive_id FROM hives h WHERE h.keeper_id = k ORDER BY hive_id; END $$;
CREATE FUNCTION hives_of_2(k integer) RETURNS TABLE (hive_id integer, name text) LANGUAGE plpgsql AS $$ BEGIN RETURN QUERY SELECT hive_id, 'x' FROM hives h WHERE h.keeper_id = k; END $$; -- want "name.variable-hides-column"
CREATE FUNCTION hives_of_3(integer) RETURNS SETOF hives LANGUAGE plpgsql AS $$
#variable_conflict use_column
DECLARE hive_id integer := 3; BEGIN RETURN QUERY SELECT h.* FROM hives h WHERE hive_id > 3; END $$;
CREATE FUNCTION name_hive(name text, which integer) RETURNS void LANGUAGE plpgsql AS $$ BEGIN UPDATE hives SET name = 'Ash' WHERE hives.hive_id = which; INSERT INTO buyers (buyer_id, name) VALUES (which, name); END $$;
CREATE FUNCTION name_hive_2(name text, which integer) RETURNS void LANGUAGE plpgsql AS $$ BEGIN UPDATE hives SET name = name WHERE hives.hive_id = which; END $$; -- want "name.variable-hides-column"
CREATE FUNCTION weigh(double precision, kg double precision) RETURNS numeric LANGUAGE plpgsql AS $$ DECLARE weight_kg numeric := 1; most numeric; BEGIN SELECT MAX(g.weight_kg) INTO most FROM harvests g; RETURN most - weight_kg; END $$;
DO $$ DECLARE name text := 'Ash'; n integer; BEGIN SELECT COUNT(*) INTO n FROM hives h WHERE h.name = name; END $$; -- want "name.variable-hides-column"
