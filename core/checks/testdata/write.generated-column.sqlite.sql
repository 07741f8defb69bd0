-- dialect: sqlite
-- checks: write.generated-column
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer AS (grams / 1000)); INSERT INTO jars (jar_id, grams, kg) VALUES (1, 2000, 2); -- want "write.generated-column"
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer AS (grams / 1000)); UPDATE jars SET kg = 2, grams = 1; -- want "write.generated-column"
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer AS (grams / 1000)); INSERT INTO jars VALUES (1, 2000);
