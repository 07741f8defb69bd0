-- dialect: postgres
SELECT name FROM hives WHERE name = "North field"; -- want "name.double-quoted-text"
SELECT name FROM hives WHERE name IN ("Ash", 'Elm') OR name LIKE "B%"; -- want "name.double-quoted-text" "name.double-quoted-text"
SELECT name FROM hives WHERE (name <> ("It's")); -- want "name.double-quoted-text"
INSERT INTO buyers (buyer_id, name) VALUES (900, "Linden"); -- want "name.double-quoted-text"
UPDATE hives SET name = 'x' WHERE name = "Ash"; -- want "name.double-quoted-text"
SELECT name FROM hives WHERE "name" = 'Ash' AND "frame_count" = 3;
SELECT h."name" FROM hives AS h JOIN queens AS q ON "bred_in" = "frame_count"; -- want "name.unqualified-column"
SELECT name AS "Hive name" FROM hives ORDER BY "Hive name";
SELECT name FROM hives WHERE 'Ash' = "nane"; -- want "name.unknown-column"
SELECT h.name FROM hives AS h WHERE h.name = h."Ash"; -- want "name.unknown-column"
