-- dialect: sqlite
-- checks: definition.default-column
CREATE TABLE swarms (caught text DEFAULT (now)); -- want "definition.default-column"
CREATE TABLE swarms (caught text DEFAULT now, hue text DEFAULT red, other text DEFAULT ("red"), at text DEFAULT (datetime('now')), day text DEFAULT CURRENT_DATE);
