-- dialect: postgres
UPDATE queens SET colour = 'yellow and white' WHERE queen_id = 1; -- want "type.out-of-range"
INSERT INTO queens (queen_id, name, bred_in, colour) VALUES (900, 'Ada', 2026, 'blue'), (901, 'Bea', 3000000000, 'blue'); -- want "type.out-of-range"
SELECT name FROM queens WHERE colour = 'yellow and white'; -- want "type.out-of-range"
SELECT name FROM queens AS q WHERE (q."colour") IN ('white', 'yellow and white'); -- want "type.out-of-range"
UPDATE queens SET colour = 'white           ', bred_in = 2147483647 WHERE queen_id = 901;
SELECT name FROM queens WHERE colour > 'yellow and white' OR colour LIKE 'yellow and white%' OR name = 'yellow and white';
SELECT name FROM hives WHERE frame_count = 3000000000;
