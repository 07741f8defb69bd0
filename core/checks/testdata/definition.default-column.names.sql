-- dialect: postgres
-- checks: definition.default-column
CREATE TABLE swarms (caught timestamp DEFAULT now); -- want "definition.default-column"
CREATE TABLE swarms (place text DEFAULT oak, hue text DEFAULT "red"); -- want "definition.default-column" "definition.default-column"
CREATE TABLE swarms (caught date DEFAULT sysdate, at timestamp DEFAULT (systimestamp)); -- want "definition.default-column" "definition.default-column"
CREATE TABLE swarms (known boolean DEFAULT yes); -- want "definition.default-column"
ALTER TABLE hives ALTER COLUMN name SET DEFAULT oak; -- want "definition.default-column"
ALTER TABLE hives ADD COLUMN hue text DEFAULT upper(red); -- want "definition.default-column"
CREATE TABLE swarms (caught timestamp DEFAULT now(), day date DEFAULT current_date, at timestamp DEFAULT localtimestamp, who text DEFAULT current_user, owner text DEFAULT user, known boolean DEFAULT true, key text DEFAULT 'oak'::text, n int DEFAULT - 1);
