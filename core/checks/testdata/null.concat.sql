-- dialect: postgres
-- checks: null.concat
SELECT 'from ' || k.village || ' came ' || k.name AS line FROM keepers k; -- want "null.concat"
SELECT q.name || ', ' || (q.colour || '!') AS line FROM queens q; -- want "null.concat"
SELECT h.name || ' (' || q.name || ')' AS line FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id; -- want "null.concat"
UPDATE buyers SET village = name || ', ' || village; -- want "null.concat"
SELECT 'from ' || village AS line FROM keepers;
SELECT name || ', ' || village AS line FROM keepers WHERE village LIKE 'S%';
SELECT name FROM keepers WHERE name || ', ' || village = 'Ada, Saltby';
SELECT COALESCE(name || ', ' || village, name) AS line FROM keepers;
SELECT name || ', ' || colour AS line FROM (SELECT name, COALESCE(colour, 'none') AS colour FROM queens) AS q;
