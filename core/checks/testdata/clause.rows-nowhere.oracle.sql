-- dialect: oracle
-- checks: clause.rows-nowhere
CREATE PROCEDURE swarm_names IS n NUMBER; CURSOR c IS SELECT name FROM hives; r SYS_REFCURSOR; BEGIN
  SELECT COUNT(*) INTO n FROM hives; SELECT name BULK COLLECT INTO names FROM hives; OPEN r FOR SELECT name FROM hives; FOR h IN (SELECT name FROM hives) LOOP NULL; END LOOP;
  SELECT name FROM hives WHERE hive_id = n; -- want "clause.rows-nowhere"
END;
/
SELECT name FROM hives;
