-- dialect: mariadb
-- checks: join.comma-precedence, name.unknown-alias
SELECT h.name FROM hives h, queens q LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id WHERE q.queen_id = h.queen_id; -- want "join.comma-precedence"
SELECT h.name FROM hives h, (queens q JOIN apiaries a ON a.apiary_id = h.apiary_id) WHERE q.queen_id = h.queen_id; -- want "join.comma-precedence"
SELECT h.name FROM (hives h, queens q) LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id WHERE q.queen_id = h.queen_id;
SELECT h.name FROM hives h, queens q LEFT JOIN hives o ON o.queen_id = q.queen_id WHERE q.queen_id = h.queen_id;
SELECT h.name FROM hives h JOIN apiaries a ON a.apiary_id = hive.apiary_id; -- want "name.unknown-alias"
