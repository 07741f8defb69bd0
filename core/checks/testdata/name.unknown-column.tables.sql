-- dialect: sqlite
-- checks: name.unknown-column, name.unknown-alias, name.ambiguous-column, rows.row-width, rows.subquery-width, clause.aggregate-in-write
SELECT name FROM hives WHERE queen_id IN swarm_ids AND name = 'Ash';
SELECT name FROM hives WHERE queen_id IN main.queens_of AND hive_id IN pragma_of('swarm');
SELECT name FROM hives WHERE queen_id IN (noone); -- want "name.unknown-column"
SELECT name FROM hives UNION ALL SELECT name FROM queens ORDER BY hives.name, 1;
SELECT name FROM hives ORDER BY hvies.name; -- want "name.unknown-alias"
SELECT h.name AS bred_in FROM hives h, queens q ORDER BY bred_in COLLATE nocase;
SELECT h.name FROM hives h, queens q ORDER BY name COLLATE nocase || ''; -- want "name.ambiguous-column"
SELECT frame_count AS n FROM hives WHERE EXISTS (SELECT 1 WHERE n > 3);
SELECT COUNT(*) AS n FROM hives h GROUP BY apiary_id HAVING EXISTS (SELECT 1 FROM queens WHERE n > bred_in);
SELECT CASE (hive_id, name) WHEN (1, 'Ash') THEN 1 ELSE 0 END, CASE (SELECT hive_id, name FROM hives) WHEN (1, 'Ash') THEN 1 END FROM hives;
SELECT CASE WHEN (hive_id, name) THEN 1 END FROM hives; -- want "rows.row-width"
UPDATE hives SET frame_count = MAX(q.bred_in) FROM queens q;
UPDATE hives SET frame_count = MAX(frame_count); -- want "clause.aggregate-in-write"
VALUES (COUNT(*) OVER ()), (2);
VALUES (COUNT(*));
VALUES (2), (COUNT(*)); -- want "clause.aggregate-in-write"
INSERT INTO queens (queen_id, name, bred_in) VALUES (901, MAX('Ada'), COUNT(*)); -- want "clause.aggregate-in-write" "clause.aggregate-in-write"
