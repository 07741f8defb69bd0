-- dialect: oracle
-- checks: name.unknown-table
SELECT place FROM swarms; -- want "name.unknown-table"
CREATE OR REPLACE SYNONYM swarms FOR bees.swarms;
SELECT place FROM swarms;
BEGIN EXECUTE IMMEDIATE 'CREATE TABLE swarms_of_may (place varchar2(40))'; END;
/
SELECT place FROM swarms_of_may;
SELECT place FROM swarms_of_june; -- want "name.unknown-table"
BEGIN EXECUTE IMMEDIATE 'CREATE TABLE ' || 'swarms_of_' || 'june (place varchar2(40))'; END;
/
SELECT place FROM swarms_of_july;
