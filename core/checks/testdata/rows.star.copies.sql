-- dialect: spark
-- checks: rows.star
CREATE TABLE hives_new LIKE hives; INSERT INTO hives_new SELECT * FROM hives;
CREATE TABLE hives_kept AS SELECT * FROM hives WHERE moved_on IS NULL; INSERT INTO hives SELECT * FROM hives_kept;
CREATE TABLE hives_wide AS SELECT * FROM hives; ALTER TABLE hives_wide ADD COLUMN colour string; INSERT INTO hives_wide SELECT * FROM hives; -- want "rows.star"
CREATE TABLE hives_some AS SELECT hive_id, name FROM hives; INSERT INTO hives_some SELECT * FROM hives_kept; -- want "rows.star"
INSERT OVERWRITE DIRECTORY '/honey' USING csv SELECT * FROM hives;
