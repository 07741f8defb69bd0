-- dialect: postgres
CREATE FUNCTION rename_hive(p_name text, p_day date, p_hive hives.hive_id%TYPE) RETURNS void LANGUAGE plpgsql AS $$
DECLARE
  v_count integer := 0;
  v_label varchar(40) NOT NULL DEFAULT 'x';
  v_odd hives%ROWTYPE;
BEGIN
  UPDATE hives SET frame_count = p_name WHERE hive_id = p_hive; -- want "write.value-type"
  UPDATE hives SET moved_on = p_day, name = v_count WHERE frame_count = v_label; -- want "type.operands"
  UPDATE hives SET moved_on = p_day, name = p_name, frame_count = v_count + 1 WHERE hive_id = p_hive AND name = v_label;
END $$;
