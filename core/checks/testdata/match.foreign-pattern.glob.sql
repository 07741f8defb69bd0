-- dialect: sqlite
-- checks: match.foreign-pattern
SELECT name FROM keepers WHERE name GLOB 'Ash%'; -- want "match.foreign-pattern"
SELECT name FROM keepers WHERE name GLOB 'Ash*' OR name GLOB '*5%*';
