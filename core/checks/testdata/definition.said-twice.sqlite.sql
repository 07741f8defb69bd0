-- dialect: sqlite
-- checks: definition.said-twice
CREATE TABLE swarms (kg int, grams int GENERATED ALWAYS AS (kg * 1000) DEFAULT 3); -- want "definition.said-twice"
CREATE TABLE swarms (kg int DEFAULT 3, grams int AS (kg * 1000) NOT NULL, place text NOT NULL ON CONFLICT REPLACE DEFAULT 'x');
