-- dialect: postgres
-- checks: set.star
SELECT h.* FROM hives h UNION SELECT o.* FROM hives o LEFT JOIN queens q ON q.queen_id = o.queen_id WHERE q.colour IS NULL; -- want "set.star"
SELECT * FROM (SELECT name FROM hives) AS h UNION SELECT * FROM (SELECT name FROM queens) AS q;
SELECT * FROM hives EXCEPT SELECT * FROM hives WHERE frame_count > 3;
SELECT name FROM hives UNION SELECT name FROM queens;
