-- dialect: spark
-- checks: null.quoted
CREATE TABLE weighings (weighing_id int, readings json, note text);
INSERT INTO weighings VALUES (1, 'null', 'null'); -- want "null.quoted"
INSERT INTO weighings (weighing_id, readings) VALUES (2, 'null');
UPDATE weighings SET readings = 'null';
INSERT INTO scales (scale_id, settings) VALUES (2, 'null');
INSERT INTO scales (scale_id, settings) VALUES (2, 'NULL'); -- want "null.quoted"
SELECT scale_id FROM scales WHERE kind = 'null';
SELECT scale_id FROM scales WHERE kind = 'NULL'; -- want "null.quoted"
