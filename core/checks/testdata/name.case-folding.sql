-- dialect: postgres
CREATE TABLE "Swarms" ("SwarmId" integer PRIMARY KEY, "name" varchar(10), Found_On date); -- want "name.needs-quoting"
SELECT SwarmId, name FROM "Swarms"; -- want "name.case-folding"
SELECT "SwarmId", "name", found_on, FOUND_ON FROM "Swarms";
SELECT "Found_On" FROM "Swarms"; -- want "name.case-folding"
SELECT name FROM Swarms; -- want "name.case-folding"
SELECT s."swarmid" FROM "Swarms" AS s WHERE s.NAME = 'Oak'; -- want "name.case-folding"
UPDATE hives SET name = 'Ash' WHERE "Hive_Id" = 3; -- want "name.case-folding"
SELECT HIVE_ID, Name FROM HIVES WHERE Frame_Count > 3;
SELECT h.HIVE_ID FROM Hives AS H ORDER BY h.NAME;
SELECT x."Total" FROM (SELECT hive_id AS "Total" FROM hives) AS x;
