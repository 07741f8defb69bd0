-- dialect: postgres
-- checks: definition.unknown-column
CREATE TABLE colonies (colony_id integer, weight_kg integer, PRIMARY KEY (colonyid)); -- want "definition.unknown-column"
CREATE TABLE colonies (colony_id integer, weight_kg integer, UNIQUE (colony_id, kg)); -- want "definition.unknown-column"
CREATE TABLE colonies (colony_id integer, hive_id integer, FOREIGN KEY (hive) REFERENCES hives (hive_id)); -- want "definition.unknown-column"
CREATE TABLE colonies (colony_id integer, weight_kg integer CHECK (weigth_kg > 0)); -- want "definition.unknown-column"
CREATE TABLE colonies (colony_id integer, weight_kg integer, CONSTRAINT light CHECK (weight_kg > 0 OR COALESCE(hue, '') <> '')); -- want "definition.unknown-column"
CREATE TABLE colonies (colony_id integer, weight_kg integer, grams integer GENERATED ALWAYS AS (kg * 1000) STORED); -- want "definition.unknown-column"
CREATE INDEX early ON hives (LOWER(nme)); -- want "definition.unknown-column"
CREATE INDEX early ON hives (name) WHERE fram_count > 3; -- want "definition.unknown-column"
CREATE TABLE colonies ("Colony" integer, weight_kg integer, CHECK (colonies.weight_kg > 0), CHECK ("Colony" > 0), CHECK (weight_kg IS NOT NULL), PRIMARY KEY ("Colony"));
CREATE TABLE colonies (LIKE hives INCLUDING ALL, UNIQUE (name));
CREATE TABLE colonies (hue text, CHECK (frame_count > 0)) INHERITS (hives);
CREATE TABLE colonies AS SELECT hive_id FROM hives;
CREATE INDEX early ON hives ((name || frame_count::text), LOWER(name)) WHERE apiary_id > 3;
ALTER TABLE hives ADD COLUMN hue text, ADD CONSTRAINT known CHECK (hue <> name);
ALTER TABLE hives ADD CONSTRAINT known UNIQUE (name, apiary_id);
