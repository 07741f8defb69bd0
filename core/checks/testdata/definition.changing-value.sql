-- dialect: postgres
-- checks: definition.changing-value
CREATE INDEX fresh ON inspections (hive_id) WHERE inspected_at > now(); -- want "definition.changing-value"
CREATE INDEX fresh ON harvests (hive_id) WHERE taken_on > CURRENT_DATE - 30; -- want "definition.changing-value"
CREATE INDEX fresh ON harvests ((RANDOM())); -- want "definition.changing-value"
CREATE TABLE colonies (born date, age integer GENERATED ALWAYS AS (CURRENT_DATE - born) STORED); -- want "definition.changing-value"
CREATE TABLE colonies (code integer, by text GENERATED ALWAYS AS (CURRENT_USER) STORED); -- want "definition.changing-value"
CREATE TABLE colonies (code integer, key uuid GENERATED ALWAYS AS (gen_random_uuid()) STORED); -- want "definition.changing-value"
CREATE TABLE colonies (code integer, key uuid DEFAULT gen_random_uuid(), at timestamptz DEFAULT now(), CHECK (at <= now()));
CREATE TABLE colonies (code integer, "current_date" date, day date GENERATED ALWAYS AS ("current_date") STORED);
CREATE INDEX fresh ON harvests (hive_id, taken_on) WHERE taken_on > DATE '2026-01-01';
