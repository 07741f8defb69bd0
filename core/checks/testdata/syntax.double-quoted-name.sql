-- dialect: mariadb
-- checks: syntax.double-quoted-name
SELECT "hive_id" FROM "hives"; -- want "syntax.double-quoted-name"
SELECT h."name" FROM hives AS h WHERE "h".hive_id = 1; -- want "syntax.double-quoted-name"
INSERT INTO queens ("queen_id", name, bred_in) VALUES (900, 'Beatrix', 2026); -- want "syntax.double-quoted-name"
UPDATE hives SET "name" = 'Ash' WHERE hive_id = 900; -- want "syntax.double-quoted-name"
DELETE FROM "hives" WHERE hive_id = 900; -- want "syntax.double-quoted-name"
CREATE TABLE "swarms" ("swarm_id" int, "the ""first""" int); -- want "syntax.double-quoted-name"
ALTER TABLE swarms ADD INDEX "ix" ("name"); -- want "syntax.double-quoted-name"
SELECT "hives".name FROM hives; -- want "syntax.double-quoted-name"
SELECT name AS "Hive", "x" FROM hives WHERE name = "Ash";
SELECT name "Hive" FROM hives ORDER BY "Hive";
