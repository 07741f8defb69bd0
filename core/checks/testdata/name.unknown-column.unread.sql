-- dialect: oracle
CREATE TABLE swarms (swarm_id int, place varchar2(40) ODD (, found_on date); -- want "syntax.unbalanced"
SELECT swarm_id, found_on, kind FROM swarms;
ALTER TABLE swarms ADD weight int;
SELECT weight FROM swarms;
CREATE TABLE yards (yard_id int, {{ columns }});
SELECT yard_id, place FROM yards;
CREATE TABLE sheds (shed_id int ${more} place int);
SELECT shed_id, place FROM sheds;
