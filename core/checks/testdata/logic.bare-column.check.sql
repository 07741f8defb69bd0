-- dialect: postgres
-- checks: logic.bare-column
CREATE TABLE swarms (kg int CHECK (kg)); -- want "logic.bare-column"
CREATE TABLE swarms (place varchar(9), known boolean, CHECK (place), CHECK (known)); -- want "logic.bare-column"
ALTER TABLE hives ADD CHECK (frame_count); -- want "logic.bare-column"
CREATE INDEX odd ON hives (name) WHERE frame_count; -- want "logic.bare-column"
CREATE TABLE swarms (known boolean CHECK (known), kg int CHECK (kg > 0), place text CHECK (place IS NOT NULL), CHECK (NULL), CHECK (true));
