-- dialect: postgres
SELECT hive_id FROM inspections WHERE COUNT(*) > 3 GROUP BY hive_id; -- want "clause.aggregate-in-where"
SELECT hive_id
FROM inspections
WHERE mites > 2
  AND AVG(temper) > 3 -- want "clause.aggregate-in-where"
  AND keeper_id = 1
GROUP BY hive_id
HAVING MAX(mites) > 5 OR MIN(mites) = 0;
SELECT hive_id FROM inspections WHERE (COUNT(*) > 3 OR temper = 1) AND mites > 2 GROUP BY hive_id; -- want "clause.aggregate-in-where"
UPDATE hives SET frame_count = 10 WHERE COUNT(*) > 1; -- want "clause.aggregate-in-where"
SELECT hive_id FROM inspections GROUP BY hive_id HAVING COUNT(*) > 3;
SELECT hive_id FROM inspections WHERE mites > (SELECT AVG(mites) FROM inspections);
SELECT h.name FROM hives AS h WHERE (SELECT COUNT(*) FROM inspections AS i WHERE i.hive_id = h.hive_id) > 3;
SELECT name FROM (SELECT name, COUNT(*) AS n FROM hives GROUP BY name) AS c WHERE n > 1; -- want "group.filter-outside"
SELECT h.keeper_id FROM hives AS h GROUP BY h.keeper_id HAVING EXISTS (SELECT 1 FROM keepers AS k WHERE k.keeper_id = MAX(h.keeper_id));
SELECT hive_id, COUNT(*) FILTER (WHERE mites > 3) FROM inspections WHERE temper > 1 GROUP BY hive_id;
SELECT name FROM hives WHERE hive_id = (SELECT MAX(hive_id) FROM hives);
SELECT count FROM (SELECT 1 AS count) AS c WHERE count > 0;
