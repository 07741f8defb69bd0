-- dialect: postgres
-- checks: match.case-never
SELECT name FROM hives WHERE 'ash' <> upper((name)) OR lower(name) IN ('elm', 'Oak'); -- want "match.case-never" "match.case-never"
SELECT CASE WHEN UPPER(name) LIKE 'a%' THEN 1 END AS x FROM hives; -- want "match.case-never"
SELECT name FROM hives WHERE UPPER(name) = 'ASH 3' OR LOWER(name) = name OR UPPER(name) ILIKE 'a%';
SELECT name FROM hives WHERE UPPER(LEFT(name, 1)) || 'sh' = 'Ash';
