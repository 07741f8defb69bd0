-- dialect: mariadb, no schema
-- checks: type.not-allowed
CREATE TABLE combs (comb_id INT, state ENUM('empty', 'brood', 'honey'), width INT CHECK (width > 0), place VARCHAR(10) CHECK (place IN ('left', 'right')));
INSERT INTO combs (comb_id, state, width, place) VALUES (1, 'brood', 0, 'LEFT'); -- want "type.not-allowed"
INSERT INTO combs (comb_id, state, width, place) VALUES (1, 'BROOD', 2, 'middle'); -- want "type.not-allowed"
INSERT IGNORE INTO combs (comb_id, state, width, place) VALUES (1, 'wax', 0, 'middle');
UPDATE combs SET state = 'hony' WHERE comb_id = 1; -- want "type.not-allowed"
SELECT comb_id FROM combs WHERE state = 'wax' OR state = 2 OR state = ''; -- want "type.not-allowed"
