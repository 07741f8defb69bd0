-- dialect: postgres, possible
-- checks: join.pairs-twice
SELECT a.name, b.name FROM hives a, hives b WHERE a.apiary_id = b.apiary_id AND a.hive_id <> b.hive_id; -- want "join.pairs-twice"
SELECT a.name, b.name FROM hives a JOIN hives b ON NOT a.hive_id = b.hive_id AND b.apiary_id = a.apiary_id;
SELECT a.name, b.name FROM hives a JOIN hives b ON b.apiary_id = a.apiary_id WHERE a.frame_count > b.frame_count AND a.hive_id <> b.hive_id;
SELECT a.name, b.name FROM hives a JOIN hives b ON b.apiary_id = a.apiary_id WHERE a.frame_count > 3 AND a.hive_id <> b.hive_id;
SELECT a.name, b.name FROM hives a LEFT JOIN hives b ON b.apiary_id = a.apiary_id AND a.hive_id <> b.hive_id;
SELECT a.name, b.name FROM hives a JOIN apiaries b ON b.apiary_id <> a.hive_id;
