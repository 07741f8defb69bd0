-- dialect: postgres, possible
-- checks: write.case-erases
UPDATE queens
SET colour = (CASE bred_in -- want "write.case-erases"
  WHEN 2025 THEN 'blue'
  WHEN 2026 THEN 'white' -- international colours
END), name = UPPER(name);
UPDATE hives SET moved_on = CASE WHEN frame_count > 8 THEN DATE '2026-05-01' END; -- want "write.case-erases"
UPDATE hives SET moved_on = CASE WHEN frame_count > 8 THEN DATE '2026-05-01' ELSE NULL END;
UPDATE hives SET moved_on = CASE WHEN frame_count > 8 THEN DATE '2026-05-01' END WHERE frame_count > 8;
UPDATE hives SET moved_on = CASE hive_id WHEN 1 THEN DATE '2026-05-01' END WHERE hive_id IN (1);
UPDATE hives SET frame_count = 8 + CASE WHEN frame_count > 8 THEN 1 ELSE 0 END;
