-- dialect: mariadb
SELECT name FROM hives WHERE apiary_id = 1 OR 2; -- want "logic.bare-value"
SELECT name FROM queens WHERE colour = 'red' OR 'blue'; -- want "logic.bare-value"
SELECT name FROM queens WHERE colour = 'red' OR 'blue' OR 'green'; -- want "logic.bare-value" "logic.bare-value"
SELECT name FROM hives WHERE apiary_id = 1 OR apiary_id = 2;
SELECT name FROM hives WHERE 1 AND apiary_id = 2;
SELECT name FROM hives WHERE apiary_id = 1 OR keeper_id; -- want "logic.bare-column"
