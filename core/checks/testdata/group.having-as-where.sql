-- dialect: postgres
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING apiary_id > 2; -- want "group.having-as-where"
SELECT keeper_id, COUNT(*)
FROM hives
WHERE apiary_id = 1 OR apiary_id = 2
GROUP BY keeper_id
HAVING COUNT(*) > 1
   AND keeper_id <> 4; -- want "group.having-as-where"
select upper(name), count(*) from hives group by upper(name) having upper(name) like 'A%'; -- want "group.having-as-where"
SELECT apiary_id, keeper_id FROM hives GROUP BY apiary_id, keeper_id
HAVING apiary_id = 1 OR keeper_id = 2; -- want "group.having-as-where"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING COUNT(*) > 2;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING apiary_id > COUNT(*);
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING COUNT(*) > 1 OR apiary_id = 2;
SELECT apiary_id, keeper_id, COUNT(*) FROM hives GROUP BY ROLLUP (apiary_id, keeper_id) HAVING apiary_id > 2;
SELECT apiary_id, keeper_id, COUNT(*) FROM hives GROUP BY GROUPING SETS ((apiary_id), (keeper_id)) HAVING apiary_id IS NULL;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING RANDOM() < 0.5;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING apiary_id + RANDOM() < 0.5;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING apiary_id IN (SELECT apiary_id FROM apiaries);
SELECT COUNT(*) FROM hives HAVING 1 = 1;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING bees_of(apiary_id) > 2;
SELECT h.name FROM hives AS h WHERE EXISTS (SELECT i.hive_id FROM inspections AS i GROUP BY i.hive_id HAVING i.hive_id = h.hive_id);
