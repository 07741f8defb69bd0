-- dialect: sqlite
-- checks: match.shell-wildcard
SELECT name FROM hives WHERE name LIKE '*field' OR name NOT LIKE 'A?h*'; -- want "match.shell-wildcard" "match.shell-wildcard"
SELECT name FROM hives WHERE name LIKE '*%' OR name LIKE 'A?h';
SELECT name FROM hives WHERE name GLOB '*field';
