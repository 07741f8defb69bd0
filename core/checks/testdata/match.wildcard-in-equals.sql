-- dialect: mariadb
-- checks: match.wildcard-in-equals
SELECT name FROM hives h WHERE '%field' = h.name OR h.name <> 'Ash%'; -- want "match.wildcard-in-equals" "match.wildcard-in-equals"
SELECT name FROM hives h WHERE h.name NOT IN ('Elm', '%Ash%'); -- want "match.wildcard-in-equals"
SELECT DATE_FORMAT(taken_on, '%Y') AS y FROM harvests WHERE DATE_FORMAT(taken_on, '%Y') = '%Y';
SELECT name FROM hives h WHERE h.name = '50% Ash' OR h.name = '5%' OR h.name = '%5';
SELECT 'Ash%' = name AS same FROM hives;
