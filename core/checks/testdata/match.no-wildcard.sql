-- dialect: postgres
-- checks: match.no-wildcard
SELECT h.name FROM hives h WHERE h.name NOT LIKE ('Ash') OR 'Elm' LIKE 'Elm'; -- want "match.no-wildcard" "match.no-wildcard"
select h.name from hives h where h.name like 'It''s'; -- want "match.no-wildcard"
SELECT h.name FROM hives h WHERE h.name LIKE 'A\%';
SELECT h.name FROM hives h WHERE h.name LIKE h.name || '';
SELECT h.name FROM hives h WHERE h.name SIMILAR TO 'Ash';
