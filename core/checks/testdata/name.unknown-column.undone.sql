-- dialect: sqlserver
-- checks: name.unknown-column, name.unknown-table
BEGIN TRANSACTION; ALTER TABLE hives DROP COLUMN frame_count; ROLLBACK; SELECT frame_count FROM hives;
BEGIN TRANSACTION; DROP TABLE queens; ROLLBACK TRANSACTION; SELECT name FROM queens;
BEGIN TRANSACTION; ALTER TABLE harvests DROP COLUMN moisture; COMMIT; ROLLBACK; SELECT moisture FROM harvests; -- want "name.unknown-column"
ALTER TABLE keepers DROP COLUMN joined_on; SELECT joined_on FROM keepers; -- want "name.unknown-column"
