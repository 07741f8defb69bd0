-- dialect: postgres
SELECT k.name, COUNT(*) AS hives FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.keeper_id, k.name; -- want "group.count-outer-join"
SELECT k.name, COUNT(1) AS hives FROM keepers AS k LEFT OUTER JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.name; -- want "group.count-outer-join"
SELECT k.name, COUNT(k.keeper_id) AS hives FROM hives AS h RIGHT JOIN keepers AS k ON h.keeper_id = k.keeper_id GROUP BY k.name; -- want "group.count-outer-join"
SELECT k.name FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.name HAVING COUNT(*) < 2 ORDER BY COUNT(*); -- want "group.count-outer-join"
SELECT k.name, COUNT(*) AS n FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id LEFT JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY k.name; -- want "group.count-outer-join"
-- Right: the optional side is counted, is one row at most, or is there.
SELECT k.name, COUNT(h.hive_id) AS hives FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.name;
SELECT k.village, COUNT(*) AS keepers FROM keepers AS k LEFT JOIN keepers AS m ON m.keeper_id = k.mentor_id GROUP BY k.village; -- want "join.unused"
SELECT k.name, COUNT(*) AS hives FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id WHERE h.hive_id IS NOT NULL GROUP BY k.name;
SELECT h.frame_count, COUNT(*) AS n FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY h.frame_count;
SELECT k.name, COUNT(*) FILTER (WHERE h.frame_count > 3) AS n FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.name;
SELECT k.name, COUNT(DISTINCT k.village) AS n FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.name;
SELECT COUNT(*) AS n FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id;
SELECT k.name FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.name HAVING COUNT(*) >= 2;
SELECT k.name, COUNT(*) AS n FROM keepers AS k LEFT JOIN unknown_one AS u ON u.keeper_id = k.keeper_id GROUP BY k.name; -- want "name.unknown-table"
SELECT k.village, COUNT(*) AS keepers FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id WHERE h.hive_id IS NULL GROUP BY k.village;
SELECT k.village, COUNT(*) AS keepers FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id WHERE h.apiary_id IS NULL GROUP BY k.village;
SELECT k.name FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.name HAVING 2 <= COUNT(*);
