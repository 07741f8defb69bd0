-- dialect: oracle
-- checks: null.equals
CREATE OR REPLACE PROCEDURE moved (hives_seen OUT SYS_REFCURSOR) AS BEGIN OPEN hives_seen FOR SELECT name FROM hives WHERE moved_on = NULL; END; -- want "null.equals"
/
BEGIN OPEN hives_seen FOR WITH h AS (SELECT name, moved_on FROM hives) SELECT name FROM h WHERE moved_on <> NULL; END; -- want "null.equals"
/
BEGIN OPEN hives_seen FOR 'SELECT name FROM hives WHERE moved_on = NULL'; OPEN seen_before; END;
/
