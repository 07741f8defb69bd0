-- dialect: mysql
-- checks: index.function-on-column
CREATE INDEX seen ON inspections (inspected_at, hive_id);
CREATE INDEX taken ON harvests (taken_on);
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) = 2026; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE 2026 = YEAR(inspected_at); -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) <> 2026;
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) < 2026; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) <= 2026; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) > 2026; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) >= 2026; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE 2026 <= YEAR(inspected_at); -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) BETWEEN 2024 AND 2026; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) NOT BETWEEN 2024 AND 2026;
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) = 999; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) = 1000; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) = 9999; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) = '2026'; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) = NULL; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) = hive_id;
SELECT hive_id FROM inspections WHERE YEAR(inspected_at) = YEAR(NOW()); -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE NOT YEAR(inspected_at) = 2026; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE mites > 3 AND YEAR(inspected_at) = 2026; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE (YEAR(inspected_at) = 2026) OR mites > 3; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE DATE(inspected_at) = '2026-05-01'; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE DATE(inspected_at) = DATE '2026-05-01'; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE DATE(inspected_at) BETWEEN '2026-05-01' AND '2026-05-31'; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE DATE(inspected_at) > '2026-12-31'; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE DATE(inspected_at) = 'May'; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE CAST(inspected_at AS date) = '2026-02-28'; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE EXTRACT(YEAR FROM inspected_at) = 2026; -- want "index.function-on-column"
SELECT hive_id FROM inspections WHERE EXTRACT(MONTH FROM inspected_at) = 5; -- want "index.function-on-column"
SELECT hive_id FROM harvests WHERE YEAR(taken_on) = 2026; -- want "index.function-on-column"
SELECT hive_id FROM harvests WHERE ROUND(weight_kg) = 3;
SELECT hive_id FROM harvests WHERE ABS(hive_id) = 3;
SELECT hive_id FROM harvests WHERE UPPER(REPLACE(hive_id, '1', '2')) = 'A';
SELECT hive_id FROM harvests WHERE COALESCE(taken_on, '2026-01-01') > '2026-05-01'; -- want "index.function-on-column"
SELECT h.name FROM hives h JOIN harvests v ON v.hive_id = h.hive_id AND YEAR(v.taken_on) = 2026; -- want "index.function-on-column"
SELECT h.name FROM hives h JOIN harvests v ON ABS(v.hive_id) = h.hive_id;
SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM harvests v WHERE v.hive_id = ABS(h.hive_id));
UPDATE harvests SET weight_kg = 0 WHERE YEAR(taken_on) = 2020; -- want "index.function-on-column"
DELETE FROM harvests WHERE DATE(taken_on) = '2020-01-01'; -- want "index.function-on-column"
SELECT hive_id FROM harvests WHERE my_season(taken_on) = 3;
SELECT hive_id FROM harvests WHERE MAX(weight_kg) > 3;
