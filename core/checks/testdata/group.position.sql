-- dialect: postgres
SELECT apiary_id, COUNT(*) FROM hives GROUP BY 1; -- want "group.position"
SELECT apiary_id, UPPER(name) AS upper_name, COUNT(*) FROM hives GROUP BY apiary_id, 2; -- want "group.position"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id ORDER BY 1;
SELECT apiary_id + 1, COUNT(*) FROM hives GROUP BY apiary_id + 1;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY ROLLUP (1);
SELECT 5, COUNT(*) FROM hives GROUP BY 1; -- want "group.position"
SELECT name, apiary_id FROM hives GROUP BY 1, 2 ORDER BY 1; -- want "group.position"
SELECT * FROM hives GROUP BY 1;
SELECT COALESCE(remark, 'nothing was written down about this inspection of the hive') AS said, COUNT(*) AS n FROM inspections GROUP BY 1; -- want "group.position"
SELECT 'all', COUNT(*), apiary_id FROM hives GROUP BY 3, 1, name; -- want "group.position" "group.position"
