-- dialect: ansi, possible
-- checks: match.case-differs
SELECT name FROM hives WHERE name NOT LIKE '%field%'; -- want "match.case-differs"
SELECT name FROM hives WHERE UPPER(name) LIKE '%FIELD%' OR name LIKE '%3%' OR name = 'Ash';
