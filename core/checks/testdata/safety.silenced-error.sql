-- dialect: postgres
-- checks: safety.silenced-error
CREATE FUNCTION forget(id integer) RETURNS void LANGUAGE plpgsql AS $$ BEGIN DELETE FROM sales WHERE sale_id = id; EXCEPTION WHEN others THEN null; END $$; -- want "safety.silenced-error"
CREATE FUNCTION forget_all(id integer) RETURNS void LANGUAGE plpgsql AS $$ BEGIN DELETE FROM sales WHERE sale_id = id; EXCEPTION WHEN unique_violation THEN NULL; WHEN OTHERS THEN END $$; -- want "safety.silenced-error"
CREATE FUNCTION forget_some(id integer) RETURNS boolean LANGUAGE plpgsql AS $$ BEGIN DELETE FROM sales WHERE sale_id = id; RETURN true; EXCEPTION WHEN OTHERS THEN RETURN false; END $$;
CREATE FUNCTION forget_none(id integer) RETURNS void LANGUAGE plpgsql AS $$ BEGIN DELETE FROM sales WHERE sale_id = id; EXCEPTION WHEN foreign_key_violation OR check_violation THEN NULL; END $$;
SELECT CASE WHEN others THEN NULL END AS x FROM (SELECT true AS others) AS d;
