-- dialect: mariadb
-- checks: range.format-part
SELECT DATE_FORMAT(inspected_at, '%Y-%m-%d %H:%m:%s') AS at FROM inspections; -- want "range.format-part"
SELECT DATE_FORMAT(inspected_at, '%H:%M') AS at FROM inspections; -- want "range.format-part"
SELECT DATE_FORMAT(taken_on, '%d.%i.%Y') AS day FROM harvests; -- want "range.format-part"
SELECT DATE_FORMAT(inspected_at, '%h:%i') AS at FROM inspections; -- want "range.format-part"
SELECT STR_TO_DATE('2026-05-01 14:30', '%Y-%m-%d %H:%m') AS at; -- want "range.format-part"
SELECT DATE_FORMAT(taken_on, '%x-%m') AS month FROM harvests; -- want "range.format-part"
SELECT DATE_FORMAT(inspected_at, '%d %M %Y %H:%i'), DATE_FORMAT(inspected_at, '%h:%i %p'), DATE_FORMAT(inspected_at, '%i') FROM inspections;
SELECT DATE_FORMAT(taken_on, '%x-W%v'), DATE_FORMAT(taken_on, '%M %Y'), DATE_FORMAT(taken_on, '%%H:%m') FROM harvests;
