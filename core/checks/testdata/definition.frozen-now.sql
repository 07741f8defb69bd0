-- dialect: postgres
-- checks: definition.frozen-now
CREATE TABLE visits (visit_id integer PRIMARY KEY, at timestamptz NOT NULL DEFAULT 'NOW', day date DEFAULT 'yesterday'); -- want "definition.frozen-now" "definition.frozen-now"
ALTER TABLE hives ADD seen_at timestamp DEFAULT ('now'::timestamp); -- want "definition.frozen-now"
CREATE TABLE visits_again (visit_id integer PRIMARY KEY, at timestamptz DEFAULT now(), day date DEFAULT CURRENT_DATE, word text DEFAULT 'now', first date DEFAULT '2026-01-01');
ALTER TABLE hives ADD COLUMN seen_on date DEFAULT 'today'::date; -- want "definition.frozen-now"
