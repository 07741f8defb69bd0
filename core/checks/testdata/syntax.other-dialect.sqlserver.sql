-- dialect: sqlserver
-- checks: syntax.other-dialect
SELECT hive_id FROM hives WHERE moved_on < GETDATE() - INTERVAL 7 DAY; -- want "syntax.other-dialect"
SELECT DATE_SUB(moved_on, INTERVAL 7 DAY), DATE_ADD(moved_on, INTERVAL -2 MONTH), SUBDATE(moved_on, INTERVAL -1 YEAR) FROM hives; -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
SELECT DATE_SUB(moved_on, INTERVAL frame_count DAY) FROM hives; -- want "syntax.other-dialect"
SELECT LENGTH(name), SUBSTR(name, 1, 2), CEIL(frame_count), LPAD(name, 9, ' ') FROM hives; -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
SELECT LEN(name), YEAR(moved_on), DATEADD(DAY, -7, moved_on), STUFF(name, 1, 1, 'x'), CONCAT_WS(', ', name, hive_id), IIF(frame_count > 3, 1, 2) FROM hives;
UPDATE hives SET frame_count += 1, queen_id -= 1, keeper_id *= 2, apiary_id |= 3, hive_id %= 7 WHERE hive_id = 1;
DELETE h OUTPUT deleted.name FROM hives AS h WHERE h.frame_count = 0;
DELETE FROM hives USING queens WHERE hives.queen_id = queens.queen_id; -- want "syntax.other-dialect"
SELECT name FROM hives EXCEPT ALL SELECT name FROM queens; -- want "syntax.other-dialect"
SELECT name FROM hives ORDER BY name FETCH FIRST 3 ROWS ONLY; -- want "syntax.other-dialect"
SELECT name FROM hives OFFSET 0 ROWS FETCH NEXT 3 ROWS ONLY; -- want "syntax.other-dialect"
SELECT name FROM hives ORDER BY name OFFSET 3 ROWS;
SELECT name FROM hives ORDER BY name OFFSET 0 ROWS FETCH NEXT 3 ROWS ONLY;
