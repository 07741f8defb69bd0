-- dialect: postgres
-- checks: set.mixed
SELECT name FROM hives UNION SELECT name FROM queens UNION ALL SELECT name FROM keepers UNION ALL SELECT name FROM buyers; -- want "set.mixed"
SELECT name FROM hives INTERSECT SELECT name FROM queens UNION SELECT name FROM keepers; -- want "set.mixed"
(SELECT name FROM hives UNION ALL SELECT name FROM queens) UNION SELECT name FROM keepers;
SELECT name FROM hives EXCEPT SELECT name FROM queens UNION SELECT name FROM keepers;
SELECT name FROM hives UNION ALL SELECT name FROM queens;
