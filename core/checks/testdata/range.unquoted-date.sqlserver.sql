-- dialect: sqlserver

SELECT name FROM hives WHERE moved_on > 2026-05-01; -- want "range.unquoted-date"
SELECT name FROM hives h WHERE (2026-5-1) <= (h.moved_on); -- want "range.unquoted-date"
SELECT harvest_id FROM harvests WHERE taken_on = 2026-05-01; -- want "range.unquoted-date"
UPDATE hives SET moved_on = 2026-06-01 WHERE hive_id = 1; -- want "range.unquoted-date"
DELETE FROM treatments WHERE treated_on < 2025-01-31; -- want "range.unquoted-date"
SELECT name FROM hives WHERE frame_count > 2026-12-31;
SELECT name FROM hives WHERE hive_id = 2026 - 5 - 1;
SELECT hive_id-10-1 AS a FROM hives;
