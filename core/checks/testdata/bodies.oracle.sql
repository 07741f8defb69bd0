-- dialect: oracle
-- checks: null.equals, name.unknown-column, name.unknown-alias, group.ungrouped-column, syntax.unreadable, syntax.reserved-name, syntax.missing-comma
CREATE OR REPLACE FUNCTION heavy(wanted IN NUMBER) RETURN NUMBER IS
  n NUMBER;
BEGIN
  SELECT COUNT(*) INTO n FROM harvests g WHERE g.hive_id = wanted;
  SELECT COUNT(*) INTO n FROM harvests g WHERE g.taken_on = NULL; -- want "null.equals"
  RETURN n;
END heavy;
/
CREATE OR REPLACE PACKAGE bees AS PROCEDURE move(a IN NUMBER DEFAULT 1); FUNCTION heavy RETURN NUMBER; END bees;
/
CREATE OR REPLACE PACKAGE BODY bees AS
  CURSOR late IS SELECT h.nmae FROM hives h; -- want "name.unknown-column"
  FUNCTION heavy RETURN NUMBER IS
    n NUMBER;
  BEGIN
    SELECT h.frame_count INTO n FROM hives h WHERE h.hive_id = n;
    RETURN n;
  END heavy;
  PROCEDURE move(a IN NUMBER DEFAULT 1) IS
    TYPE ids IS TABLE OF NUMBER;
    found ids;
    PROCEDURE inner IS BEGIN UPDATE hives SET frame_count = a; END inner;
  BEGIN
    SELECT h.hive_id BULK COLLECT INTO found FROM hives h;
    FOR i IN 1..3 LOOP UPDATE hives SET frame_count = i WHERE hive_id = i; END LOOP;
    FOR r IN (SELECT h.hive_id FROM hives h) LOOP UPDATE hives SET frame_count = 1 WHERE hive_id = r.hive_id; END LOOP;
    FOR r IN late LOOP UPDATE hives SET frame_count = 2 WHERE CURRENT OF late; END LOOP;
    DELETE FROM hives WHERE moved_on = NULL; -- want "null.equals"
  END move;
END bees;
/
DECLARE v NUMBER; r hives%ROWTYPE;
BEGIN
  UPDATE hives SET frame_count = v WHERE hive_id = 1;
  SELECT * INTO r FROM hives WHERE hive_id = 1;
  SELECT h.apiary_id, v, COUNT(*) INTO r FROM hives h GROUP BY h.apiary_id;
  IF r.name IS NULL THEN NULL; END IF;
  UPDATE hives SET frame_cuont = 1; -- want "name.unknown-column"
END;
/
SELECT h.nmae FROM hives h; -- want "name.unknown-column"
CREATE TABLE visits (visit_id INT DEFAULT ON NULL visit_ids.NEXTVAL PRIMARY KEY, seen DATE DEFAULT ON NULL FOR INSERT AND UPDATE SYSDATE NOT NULL);
SELECT v.visit_id FROM (SELECT h.hive_id AS visit_id FROM hives h) v WHERE v.visit_id IN (SELECT d.hive_id FROM (SELECT x.hive_id FROM hives x) d);
