-- dialect: postgres
-- checks: definition.default-column
CREATE TABLE colonies (weight_kg integer, first_kg integer DEFAULT (weight_kg)); -- want "definition.default-column"
CREATE TABLE colonies (weight_kg integer, first_kg integer DEFAULT weight_kg + 1); -- want "definition.default-column"
ALTER TABLE hives ALTER COLUMN name SET DEFAULT 'hive ' || hive_id; -- want "definition.default-column"
ALTER TABLE hives ADD COLUMN frames_before integer DEFAULT frame_count; -- want "definition.default-column"
ALTER TABLE hives ALTER COLUMN name SET DEFAULT 'hive';
