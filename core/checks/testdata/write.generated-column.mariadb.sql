-- dialect: mariadb
-- checks: write.generated-column
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer AS (grams DIV 1000) VIRTUAL); INSERT INTO jars (jar_id, grams, kg) VALUES (1, 2000, 2); -- want "write.generated-column"
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer AS (grams DIV 1000) PERSISTENT); INSERT INTO jars (jar_id, kg) VALUES (1, DEFAULT), (2, DEFAULT);
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer AS (grams DIV 1000) VIRTUAL); INSERT IGNORE INTO jars (jar_id, kg) VALUES (1, 2);
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer AS (grams DIV 1000) VIRTUAL); INSERT INTO jars VALUES (1, 2000, 2); -- want "write.generated-column"
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer AS (grams DIV 1000) VIRTUAL); INSERT INTO jars VALUES (1, 2000, DEFAULT);
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer AS (grams DIV 1000) VIRTUAL); INSERT INTO jars VALUES (1, 2000, NULL), (2, 10, DEFAULT);
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer AS (grams DIV 1000) VIRTUAL); INSERT INTO jars (jar_id, kg) VALUES (1, NULL);
