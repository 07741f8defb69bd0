-- dialect: postgres
-- checks: match.escape
SELECT name FROM hives WHERE name NOT ILIKE 'a!!%' ESCAPE '!!'; -- want "match.escape"
SELECT name FROM hives WHERE name LIKE 'a' ESCAPE '';
SELECT name FROM hives WHERE name LIKE 'aéb' ESCAPE 'é';
SELECT name FROM hives WHERE name LIKE 'a\\' ESCAPE '\';
