-- dialect: sqlite
SELECT name FROM hives WHERE name = "North field"; -- want "name.double-quoted-text"
SELECT name FROM hives WHERE name IN ("Ash", 'Elm'); -- want "name.double-quoted-text"
SELECT name FROM hives WHERE name = "name"; -- want "null.self-equal"
SELECT h.name FROM hives AS h WHERE EXISTS (SELECT 1 FROM queens AS q WHERE q.queen_id = h.queen_id AND q.name = "Beatrix"); -- want "name.double-quoted-text"
