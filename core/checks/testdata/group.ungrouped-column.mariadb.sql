-- dialect: mariadb
-- checks: group.ungrouped-column
SELECT g.hive_id, SUM(g.weight_kg) AS n FROM hives AS h JOIN harvests AS g USING (hive_id) GROUP BY hive_id;
SELECT g.hive_id, SUM(g.weight_kg) AS n FROM hives AS h NATURAL JOIN harvests AS g GROUP BY hive_id;
SELECT g.taken_on, SUM(g.weight_kg) AS n FROM hives AS h JOIN harvests AS g USING (hive_id) GROUP BY hive_id; -- want "group.ungrouped-column"
SELECT g.harvest_id, SUM(g.weight_kg) AS n FROM hives AS h JOIN harvests AS g USING (hive_id) GROUP BY hive_id; -- want "group.ungrouped-column"
