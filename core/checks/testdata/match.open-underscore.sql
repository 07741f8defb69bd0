-- dialect: postgres, possible
-- checks: match.open-underscore
SELECT name FROM hives WHERE name LIKE '%north_field_a%'; -- want "match.open-underscore"
SELECT name FROM hives WHERE name LIKE 'A_h' OR name LIKE 'north\_field' OR name LIKE '__' OR name = 'north_field';
