-- dialect: postgres
-- checks: rows.many-for-one
CREATE FUNCTION is_strong(p_hive int) RETURNS boolean LANGUAGE plpgsql AS $$ BEGIN IF (SELECT name FROM hives WHERE hive_id = p_hive) = 'Ash' THEN RETURN true; END IF; RETURN (SELECT frame_count FROM hives WHERE hive_id = p_hive) > 10; END $$;
CREATE FUNCTION is_first(p_apiary int) RETURNS boolean LANGUAGE plpgsql AS $$ BEGIN RETURN (SELECT name FROM hives WHERE apiary_id = p_apiary) = 'Ash'; END $$; -- want "rows.many-for-one"
