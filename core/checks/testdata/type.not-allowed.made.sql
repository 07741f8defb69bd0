-- dialect: postgres, no schema
-- checks: type.not-allowed
CREATE TYPE mood AS ENUM ('calm', 'cross');
CREATE TABLE combs (comb_id integer, state varchar(10) CHECK (state IN ('empty', 'brood', 'honey')), bees mood, width integer CHECK (width > 0 AND width <= 500), height integer, CHECK (height > width), note varchar(10) CHECK (note > 'a'));
INSERT INTO combs (comb_id, state, bees, width) VALUES (1, 'broot', 'calm', 10), (2, 'honey', 'angry', 0); -- want "type.not-allowed" "type.not-allowed" "type.not-allowed"
INSERT INTO combs (comb_id, state, bees, width) VALUES (1, 'brood', 'calm', 10), (2, NULL, NULL, NULL);
UPDATE combs SET state = 'Honey' WHERE comb_id = 1;
UPDATE combs SET width = -1, height = -5, note = 'A' WHERE comb_id = 1;
SELECT comb_id FROM combs WHERE state = 'pollen' AND bees = 'calm'; -- want "type.not-allowed"
SELECT comb_id FROM combs WHERE bees = 'Calm'; -- want "type.not-allowed"
SELECT comb_id FROM combs WHERE state <> 'pollen' AND width > 900 AND comb_id = 0; -- want "type.not-allowed"
