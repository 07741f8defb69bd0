-- dialect: postgres
SELECT name FROM hives WHERE hive_id == 1; -- want "syntax.double-equals"
SELECT h.name FROM hives AS h JOIN queens AS q ON q.queen_id==h.queen_id; -- want "syntax.double-equals"
SELECT name FROM hives WHERE hive_id = 1 AND name <> '==';
UPDATE hives SET frame_count = 8 WHERE hive_id = 1;
SELECT hive_id >= 1, hive_id <= 1 FROM hives; -- ==
