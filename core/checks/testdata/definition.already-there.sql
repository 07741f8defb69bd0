-- dialect: spark
-- checks: definition.already-there, definition.unknown-column
CREATE TABLE combs (comb_id int, hue string);
CREATE TABLE combs (comb_id int); -- want "definition.already-there"
CREATE TABLE bees.combs (comb_id int);
CREATE OR REPLACE TABLE combs (comb_id int);
DROP TABLE combs;
CREATE TABLE combs (comb_id int);
CREATE TABLE IF NOT EXISTS combs (comb_id int);
ALTER TABLE combs ADD COLUMN hue string;
ALTER TABLE combs ADD COLUMN hue string; -- want "definition.already-there"
ALTER TABLE combs ADD COLUMN weight int;
USE other;
CREATE TABLE combs (comb_id int);
