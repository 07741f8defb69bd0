-- dialect: postgres
-- checks: write.target-unconnected
UPDATE hives AS h SET frame_count = 8 FROM hives AS o JOIN apiaries a ON a.apiary_id = o.apiary_id WHERE a.altitude_m > 900; -- want "write.target-unconnected"
DELETE FROM sales USING harvests g; -- want "write.target-unconnected"
UPDATE hives SET frame_count = 8 FROM apiaries a WHERE a.apiary_id = hives.apiary_id;
UPDATE hives SET frame_count = 8 FROM apiaries a WHERE a.apiary_id = 2 AND hives.hive_id = 3;
UPDATE hives SET frame_count = n.most FROM (SELECT MAX(frame_count) AS most FROM hives) AS n;
UPDATE hives SET frame_count = 8 FROM hives o WHERE o.hive_id = hives.hive_id AND o.frame_count > 10;
UPDATE hives SET frame_count = 8 FROM hives o WHERE (o.hive_id, o.name) = (hives.hive_id, hives.name);
DELETE FROM sales USING harvests g WHERE EXISTS (SELECT 1 FROM hives h WHERE h.hive_id = g.hive_id AND h.hive_id = sales.jars);
