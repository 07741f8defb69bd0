-- dialect: mariadb
CREATE TABLE swarms (swarm_id integer PRIMARY KEY, caught boolean, lost tinyint(1), size integer);
SELECT swarm_id FROM swarms WHERE caught AND NOT lost;
SELECT swarm_id FROM swarms WHERE size; -- want "logic.bare-column"
SELECT name FROM hives WHERE name AND frame_count; -- want "logic.bare-column" "logic.bare-column"
SELECT d.big FROM (SELECT frame_count > 3 AS big FROM hives) AS d WHERE d.big;
