-- dialect: sqlite
SELECT name FROM hives WHERE moved_on > 2026-05-01; -- want "range.unquoted-date"
SELECT name FROM hives WHERE moved_on = 5/1/2026; -- want "range.unquoted-date"
SELECT harvest_id FROM harvests WHERE taken_on BETWEEN '2026-01-01' AND 2026-12-31; -- want "range.unquoted-date"
SELECT name FROM hives WHERE frame_count > 2026-12-31;
SELECT 2026 - 5 - 1 AS n, hive_id-10-1 AS m FROM hives;
SELECT name FROM hives WHERE moved_on > date('2026-05-01', '-1 day');
