-- dialect: postgres
-- checks: null.test-on-required, name.variable-hides-column
CREATE FUNCTION hives_called(name text, hive_id int) RETURNS void LANGUAGE plpgsql AS $$
#variable_conflict use_variable
BEGIN PERFORM 1 FROM hives AS h WHERE (h.name = name OR name IS NULL) AND (h.hive_id = hive_id OR hive_id IS NULL); END $$;
CREATE FUNCTION hives_named(name text, hive_id int) RETURNS void LANGUAGE plpgsql AS $$
#variable_conflict use_column
BEGIN PERFORM 1 FROM hives AS h WHERE (h.name = 'Ash' OR name IS NULL); END $$; -- want "null.test-on-required"
CREATE FUNCTION hives_seen(name text) RETURNS void LANGUAGE plpgsql AS $$
BEGIN PERFORM 1 FROM hives AS h WHERE (h.name = name OR name IS NULL); END $$; -- want "name.variable-hides-column"
