-- dialect: mariadb
SELECT name FROM hives WHERE moved_on > 2026-05-01; -- want "range.unquoted-date"
SELECT hive_id FROM inspections WHERE inspected_at >= 2026-05-01 AND mites > 3; -- want "range.unquoted-date"
SELECT harvest_id FROM harvests WHERE taken_on IN (2026-05-01, 2026-05-02); -- want "range.unquoted-date" "range.unquoted-date"
INSERT INTO treatments (treatment_id, hive_id, treated_on, substance) VALUES (900, 1, 2026-06-01, 'thymol'); -- want "range.unquoted-date"
SELECT name FROM hives WHERE moved_on > 20260501 AND frame_count <> 2026-05-01;
