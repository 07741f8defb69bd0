-- dialect: sqlite
-- checks: rows.many-for-one
UPDATE hives SET queen_id = (SELECT q.queen_id FROM queens q WHERE q.colour = 'blue') WHERE hive_id = 3; -- want "rows.many-for-one"
SELECT name FROM hives h WHERE frame_count > (SELECT g.weight_kg FROM harvests g WHERE g.hive_id = h.hive_id); -- want "rows.many-for-one"
SELECT k.name, COALESCE((SELECT h.name FROM hives h WHERE h.keeper_id = k.keeper_id), 'none') AS hive FROM keepers k; -- want "rows.many-for-one"
SELECT name FROM hives h WHERE apiary_id = (SELECT a.apiary_id FROM apiaries a WHERE a.name = 'Oak Ridge');
SELECT name FROM hives h WHERE frame_count > (SELECT MAX(g.weight_kg) FROM harvests g WHERE g.hive_id = h.hive_id);
SELECT name FROM hives h WHERE frame_count IN (SELECT g.weight_kg FROM harvests g WHERE g.hive_id = h.hive_id);
SELECT name FROM hives h WHERE frame_count > (SELECT g.weight_kg FROM harvests g WHERE g.hive_id = h.hive_id AND g.taken_on = (SELECT MAX(taken_on) FROM harvests));
SELECT name FROM hives h WHERE frame_count > (SELECT DISTINCT g.weight_kg FROM harvests g WHERE g.hive_id = h.hive_id);
SELECT name FROM hives h WHERE (SELECT g.weight_kg FROM harvests g WHERE g.hive_id = h.hive_id) IS NULL;
CREATE TRIGGER renamed AFTER UPDATE ON queens BEGIN UPDATE hives SET name = (SELECT h.name FROM hives AS h WHERE h.hive_id = NEW.queen_id) || 'x' WHERE hive_id = 1; END;
SELECT (SELECT longest_of(g.weight_kg) FROM harvests AS g WHERE g.hive_id = h.hive_id) || 'kg' FROM hives AS h;
