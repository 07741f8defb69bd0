-- dialect: postgres, possible
SELECT i.hive_id, i.mites FROM inspections AS i WHERE i.inspected_at = (SELECT MAX(x.inspected_at) FROM inspections AS x WHERE x.hive_id = i.hive_id); -- want "group.latest-tie"
SELECT name FROM hives WHERE frame_count = (SELECT MIN(frame_count) FROM hives); -- want "group.latest-tie"
SELECT name FROM apiaries AS a WHERE a.name = (SELECT MAX(b.name) FROM apiaries AS b WHERE b.keeper_id = a.keeper_id);
SELECT h.name FROM hives AS h WHERE h.frame_count = (SELECT MAX(x.temper) FROM inspections AS x WHERE x.hive_id = h.hive_id);
