-- dialect: mariadb
UPDATE queens SET colour = 'yellow and white' WHERE queen_id = 1; -- want "type.out-of-range"
INSERT INTO queens VALUES (3000000000, 'Ada', 2026, NULL, 'blue'); -- want "type.out-of-range"
SELECT name FROM queens WHERE 'yellow and white' = colour; -- want "type.out-of-range"
INSERT IGNORE INTO queens VALUES (3000000000, 'Ada', 2026, NULL, 'blue');
UPDATE queens SET colour = 'grün weiß' WHERE queen_id = 901 AND name = 'grün und weiß und gelb';
UPDATE IGNORE queens SET bred_in = 3000000000 WHERE queen_id = 1;
UPDATE LOW_PRIORITY IGNORE queens SET bred_in = 3000000000 WHERE queen_id = 1;
INSERT IGNORE INTO queens SET queen_id = 901, name = 'Ada', bred_in = 3000000000;
