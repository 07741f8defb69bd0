-- dialect: mysql
SELECT keeper_id, COUNT(*) FROM hives HAVING COUNT(*) > 2 GROUP BY keeper_id; -- want "syntax.clause-order"
SELECT keeper_id, COUNT(*)
FROM hives
HAVING COUNT(*) > 2 -- want "syntax.clause-order"
GROUP BY keeper_id
ORDER BY keeper_id;
select name from hives order by name where apiary_id = 2; -- want "syntax.clause-order"
SELECT name FROM hives LIMIT 3 ORDER BY name; -- want "syntax.clause-order"
SELECT name FROM hives GROUP BY name WHERE apiary_id = 2; -- want "group.without-aggregate" "syntax.clause-order"
SELECT name FROM (SELECT name FROM hives ORDER BY name LIMIT 3) AS h WHERE name > 'B';
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM inspections GROUP BY hive_id) ORDER BY name;
(SELECT name FROM hives ORDER BY name LIMIT 1) UNION ALL (SELECT name FROM queens ORDER BY name LIMIT 1);
SELECT apiary_id, COUNT(*) FROM hives WHERE hive_id > 1 GROUP BY apiary_id HAVING COUNT(*) > 1 ORDER BY apiary_id LIMIT 3;
UPDATE hives SET name = 'x' WHERE hive_id = 1 ORDER BY hive_id LIMIT 1;
SELECT GROUP_CONCAT(name ORDER BY name SEPARATOR ', ') FROM hives WHERE apiary_id = 1;

-- Nothing is moved between clauses that stand out of order.
SELECT keeper_id, COUNT(*) GROUP BY keeper_id HAVING keeper_id = 4 FROM hives; -- want "syntax.clause-order"
SELECT keeper_id, COUNT(*) FROM hives GROUP BY keeper_id WHERE COUNT(*) > 2; -- want "clause.aggregate-in-where" "syntax.clause-order"
SELECT keeper_id, COUNT(*) WHERE apiary_id = 2 FROM hives; -- want "group.ungrouped-column" "syntax.clause-order"
SELECT name ORDER BY name LIMIT 5 FROM hives OFFSET 2; -- want "syntax.clause-order"
