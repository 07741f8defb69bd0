-- dialect: postgres, possible
-- checks: set.one-table
SELECT h.name FROM hives h WHERE h.frame_count > 8 UNION ALL SELECT h.name  FROM hives h WHERE h.apiary_id = 2; -- want "set.one-table"
SELECT h.name FROM hives h WHERE h.frame_count > 8 UNION ALL SELECT h.name FROM hives h;
SELECT h.name FROM hives h WHERE h.frame_count > 8 EXCEPT SELECT h.name FROM hives h WHERE h.apiary_id = 2;
