-- dialect: postgres
-- checks: match.foreign-pattern, match.no-wildcard, match.shell-wildcard
SELECT name FROM keepers WHERE name LIKE '^A'; -- want "match.no-wildcard"
SELECT name FROM keepers WHERE name ILIKE '^ash.*'; -- want "match.foreign-pattern"
SELECT name FROM keepers WHERE name NOT LIKE 'A.+n'; -- want "match.foreign-pattern"
SELECT name FROM keepers WHERE name LIKE '[a-cx-z]%'; -- want "match.foreign-pattern"
SELECT name FROM keepers WHERE name LIKE '[^A]%'; -- want "match.foreign-pattern"
SELECT name FROM keepers WHERE name LIKE '[new] %' OR name LIKE '%[a]%' OR name LIKE 'A*'; -- want "match.shell-wildcard"
SELECT name FROM keepers WHERE name ~ '^A.*' OR name SIMILAR TO '[A-C]%' OR name LIKE '%^' OR name LIKE '% 5.%';
