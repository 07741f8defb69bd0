-- dialect: postgres
-- checks: definition.beyond-row
CREATE TABLE colonies (colony_id integer, hive_id integer CHECK (EXISTS (SELECT 1 FROM hives))); -- want "definition.beyond-row"
CREATE TABLE colonies (colony_id integer DEFAULT ((SELECT MAX(hive_id) FROM hives))); -- want "definition.beyond-row"
CREATE TABLE colonies (colony_id integer, weight_kg integer, CHECK (weight_kg < MAX(weight_kg))); -- want "definition.beyond-row"
CREATE TABLE colonies (colony_id integer, weight_kg integer, place integer GENERATED ALWAYS AS (RANK() OVER (ORDER BY weight_kg)) STORED); -- want "definition.beyond-row"
CREATE INDEX early ON harvests (SUM(weight_kg)); -- want "definition.beyond-row"
CREATE INDEX early ON harvests (hive_id) WHERE hive_id IN (SELECT hive_id FROM hives); -- want "definition.beyond-row"
ALTER TABLE hives ADD CONSTRAINT few CHECK ((SELECT COUNT(*) FROM hives) < 100); -- want "definition.beyond-row"
CREATE TABLE colonies (colony_id integer, low integer, high integer, CHECK (GREATEST(low, high) > 0), CHECK (low BETWEEN 1 AND high));
CREATE TABLE colonies (colony_id integer DEFAULT (ABS(-3)), seen_at timestamp DEFAULT CURRENT_TIMESTAMP, hue text DEFAULT 'red');
