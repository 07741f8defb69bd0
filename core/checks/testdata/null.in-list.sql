-- dialect: postgres
-- checks: null.in-list
SELECT name FROM queens WHERE colour IN ('red', NULL); -- want "null.in-list"
select name from queens where bred_in > 2020 and colour in (null, 'red'); -- want "null.in-list"
SELECT name FROM queens WHERE colour NOT IN ('red', NULL, 'blue'); -- want "null.in-list"
SELECT name FROM queens WHERE NOT colour IN ('red', NULL); -- want "null.in-list"
SELECT name FROM queens WHERE NOT (colour NOT IN ('red', NULL)); -- want "null.in-list"
SELECT name FROM queens WHERE colour IN ('red', /* none */ NULL) OR bred_in = 2020; -- want "null.in-list"
SELECT name, colour IN ('red', NULL) AS known FROM queens; -- want "null.in-list"
CREATE TABLE swarms (swarm_id integer PRIMARY KEY, colour varchar(9) CHECK (colour IN ('red', NULL))); -- want "null.in-list"
SELECT name FROM queens WHERE colour IN (NULL);
SELECT name FROM queens WHERE colour IN ('red', 'NULL');
SELECT name FROM queens WHERE colour NOT IN (SELECT colour FROM queens WHERE colour IS NOT NULL);
SELECT name FROM queens WHERE colour IN ('red') OR colour IS NULL;
UPDATE queens SET colour = NULL WHERE bred_in IN (2019, 2020);
