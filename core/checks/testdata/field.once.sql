-- dialect: mysql
-- checks: name.derived-without-alias, name.unknown-alias, name.unknown-column, name.duplicate-alias, clause.alias-in-group-by, group.ungrouped-column, group.without-aggregate
SELECT t.a, t.b FROM (SELECT 1 AS a, 2 AS b) WHERE t.a > 0 ORDER BY t.b; -- want "name.derived-without-alias"
SELECT t.a, u.b FROM (SELECT 1 AS a, 2 AS b) WHERE t.a > 0; -- want "name.derived-without-alias"
SELECT h.name FROM hives AS h JOIN queens AS h ON h.queen_id = 1; -- want "name.duplicate-alias"
SELECT h.name, h.colour FROM hives AS h JOIN queens AS h ON h.queen_id = 1; -- want "name.duplicate-alias"
SELECT h.apiary_id, h.keeper_id FROM hives AS h GROUP BY h.apiary_id, h.keeper_id ORDER BY h.keeper_id; -- want "group.without-aggregate"
SELECT h.apiary_id AS a FROM hives AS h GROUP BY h.apiary_id ORDER BY a; -- want "group.without-aggregate"
SELECT h.apiary_id FROM hives AS h GROUP BY h.apiary_id ORDER BY MAX(h.name);
