-- dialect: postgres, possible
-- checks: range.between-text
SELECT name FROM hives h WHERE h.name BETWEEN 'Ab' AND 'Ce' OR h.frame_count > 3; -- want "range.between-text"
SELECT name FROM hives WHERE name BETWEEN 'Ash' AND 'Elm';
SELECT name FROM hives WHERE name BETWEEN 'A' AND 'Z';
SELECT name FROM hives WHERE name NOT BETWEEN 'A' AND 'C';
