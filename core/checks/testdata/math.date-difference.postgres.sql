-- dialect: postgres

SELECT t.treated_on - h.moved_on AS days FROM treatments t JOIN hives h ON h.hive_id = t.hive_id;
SELECT MAX(inspected_at) - MIN(inspected_at) AS spent FROM inspections;
SELECT MAX(moved_on) - MIN(moved_on) AS days FROM hives;
