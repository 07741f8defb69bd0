-- Moves the smallest hives of one apiary to another, and closes the apiary that is left empty.
CREATE FUNCTION move_hives(from_apiary integer, to_apiary integer) RETURNS integer
LANGUAGE plpgsql AS $$
DECLARE
  moved integer := 0;
  hive_id integer;
BEGIN
  FOR hive_id IN
    SELECT h.hive_id FROM hives AS h WHERE h.apiary_id = from_apiary ORDER BY h.frame_count LIMIT 5
  LOOP
    UPDATE hives SET apiary_id = to_apiary, moved_on = CURRENT_DATE WHERE hive_id = hive_id;
    moved := moved + 1;
  END LOOP;
  IF moved = NULL THEN
    RAISE NOTICE 'nothing to move';
  END IF;
  DELETE FROM apiaries WHERE apiary_id = from_apiary AND NOT EXISTS (SELECT COUNT(*) FROM hives AS h WHERE h.apiary_id = from_apiary);
  RETURN moved;
END $$;
