-- dialect: postgres, possible
-- checks: window.ties
WITH last AS (SELECT g.*, ROW_NUMBER() OVER (PARTITION BY g.hive_id ORDER BY g.taken_on DESC, g.weight_kg) AS n FROM harvests g) SELECT hive_id, weight_kg FROM last WHERE n = 1; -- want "window.ties"
WITH last AS (SELECT g.*, ROW_NUMBER() OVER (PARTITION BY g.hive_id ORDER BY g.taken_on DESC, g.harvest_id) AS n FROM harvests g) SELECT hive_id, weight_kg FROM last WHERE n = 1;
SELECT x.name FROM (SELECT name, ROW_NUMBER() OVER (ORDER BY name) AS n FROM apiaries) AS x WHERE x.n < 3;
SELECT x.hive_id, x.mites FROM (SELECT hive_id, mites, ROW_NUMBER() OVER (PARTITION BY hive_id ORDER BY mites) AS n FROM inspections) AS x WHERE x.n = 1;
