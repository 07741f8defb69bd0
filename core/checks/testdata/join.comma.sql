-- dialect: postgres, possible
SELECT h.name, i.mites FROM hives h, inspections i WHERE h.hive_id = i.hive_id AND i.mites > 5; -- want "join.comma"
SELECT k.name, a.name
FROM keepers k, -- people -- want "join.comma"
     hives h,
     apiaries a
WHERE h.keeper_id = k.keeper_id
  AND h.apiary_id = a.apiary_id;
select h.name from hives h left join queens q on q.queen_id = h.queen_id, apiaries a where h.apiary_id = a.apiary_id; -- want "join.comma" "join.unused"
SELECT a.name FROM apiaries a, keepers k, hives h WHERE h.apiary_id = a.apiary_id AND h.keeper_id = k.keeper_id AND h.frame_count > 8; -- want "join.comma"
SELECT h.name FROM hives h, (SELECT hive_id FROM harvests) AS g WHERE g.hive_id = h.hive_id; -- want "join.comma"
SELECT frame_count, mites FROM hives h, inspections i WHERE h.hive_id = i.hive_id AND mites > 3; -- want "join.comma" "name.unqualified-column"
SELECT h.name FROM hives h, apiaries a JOIN keepers k ON k.keeper_id = a.keeper_id WHERE h.apiary_id = a.apiary_id; -- want "join.comma"
SELECT h.name, i.mites FROM hives h JOIN inspections i ON h.hive_id = i.hive_id WHERE i.mites > 5;
SELECT h.name, n.i FROM hives h, generate_series(1, 3) AS n(i) WHERE n.i = h.hive_id;
SELECT h.name FROM hives h, LATERAL (SELECT MAX(i.mites) AS mites FROM inspections i WHERE i.hive_id = h.hive_id) AS x WHERE h.hive_id = x.mites;
SELECT h.name FROM hives h, apiaries a WHERE h.hive_id = 1 AND a.apiary_id = 2;
SELECT h.name FROM hives h, apiaries a WHERE h.apiary_id = a.apiary_id OR a.apiary_id = 2; -- want "join.unconnected"
SELECT h.name FROM hives h, apiaries a; -- want "join.unconnected"
