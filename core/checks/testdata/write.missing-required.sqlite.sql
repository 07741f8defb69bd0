-- dialect: sqlite
-- checks: write.missing-required
INSERT INTO hives (name, apiary_id, keeper_id, frame_count) VALUES ('Ash', 1, 1, 8);
INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (NULL, 'Ash', 1, 1, 8);
INSERT INTO hives (hive_id, name, apiary_id, frame_count) VALUES (900, 'Ash', 1, 8); -- want "write.missing-required"
INSERT OR IGNORE INTO hives (hive_id, name, apiary_id, frame_count) VALUES (900, 'Ash', 1, 8);
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer NOT NULL DEFAULT 5); INSERT OR REPLACE INTO jars (jar_id, grams) VALUES (1, NULL);
CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer NOT NULL DEFAULT 5); UPDATE OR REPLACE jars SET grams = NULL;
CREATE TABLE tubs (tub_id integer PRIMARY KEY, grams integer NOT NULL ON CONFLICT REPLACE DEFAULT 5, lid text NOT NULL ON CONFLICT IGNORE); INSERT INTO tubs (tub_id, grams, lid) VALUES (1, NULL, NULL);
CREATE TABLE pails (pail_id integer PRIMARY KEY, grams integer NOT NULL ON CONFLICT FAIL); INSERT INTO pails (pail_id, grams) VALUES (1, NULL); -- want "write.missing-required"
