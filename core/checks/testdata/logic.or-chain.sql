-- dialect: mariadb
SELECT name FROM hives WHERE apiary_id = 1 OR apiary_id = 2 OR apiary_id = 3; -- want "logic.or-chain"
SELECT name FROM hives WHERE keeper_id = 1 AND (apiary_id = 1 OR 2 = apiary_id OR apiary_id = 3); -- want "logic.or-chain"
SELECT name FROM queens WHERE colour = 'red' OR colour = 'blue' OR colour = 'white' OR colour = 'green'; -- want "logic.or-chain"
SELECT name FROM hives WHERE apiary_id = 1 OR apiary_id = 2;
SELECT name FROM hives WHERE apiary_id = 1 OR keeper_id = 2 OR hive_id = 3;
SELECT name FROM hives WHERE apiary_id = 1 OR apiary_id = 2 OR apiary_id > 3;
SELECT name FROM hives WHERE apiary_id = 1 /* the old yard */ OR apiary_id = 2 OR apiary_id = 3;
SELECT name FROM hives WHERE apiary_id = 1 OR apiary_id = keeper_id OR apiary_id = 3; -- want "type.different-domains"
SELECT name FROM hives WHERE keeper_id = 1 AND ((apiary_id = 1 OR apiary_id = 2) OR apiary_id = 3); -- want "logic.or-chain"
