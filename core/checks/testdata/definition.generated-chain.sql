-- dialect: postgres
-- checks: definition.generated-chain
CREATE TABLE colonies (kg integer, grams integer GENERATED ALWAYS AS (kg * 1000) STORED, jars integer GENERATED ALWAYS AS (grams / 500) STORED); -- want "definition.generated-chain"
CREATE TABLE colonies (kg integer, grams integer GENERATED ALWAYS AS (grams * 1000) STORED); -- want "definition.generated-chain"
CREATE TABLE colonies (kg integer, jars integer GENERATED ALWAYS AS (kg * 2) STORED, grams integer GENERATED ALWAYS AS (kg * 1000) STORED, CHECK (grams > jars));
CREATE TABLE colonies (kg integer, id integer GENERATED ALWAYS AS IDENTITY, grams integer GENERATED ALWAYS AS (kg * 1000) STORED);
CREATE TABLE colonies (kg integer DEFAULT 3, grams integer GENERATED ALWAYS AS (kg * 1000) STORED);
