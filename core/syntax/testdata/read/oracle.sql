SET SERVEROUTPUT ON SIZE 1000000
SET DEFINE OFF
PROMPT It's the bees' script
WHENEVER SQLERROR EXIT SQL.SQLCODE
SPOOL out.log
DEFINE owner = bees
CREATE TABLE &owner..hives (
  hive_id NUMBER(10) GENERATED ALWAYS AS IDENTITY,
  name VARCHAR2(40 CHAR) DEFAULT 'x' NOT NULL ENABLE,
  moved_on DATE DEFAULT SYSDATE,
  CONSTRAINT pk PRIMARY KEY (hive_id) USING INDEX TABLESPACE ts
) TABLESPACE users PCTFREE 10 STORAGE (INITIAL 64K)
/
CREATE OR REPLACE PACKAGE BODY bees_pkg IS
  c_max CONSTANT PLS_INTEGER := 10;
  TYPE t_rec IS RECORD (a NUMBER, b VARCHAR2(10));
  CURSOR c_hives (p_id NUMBER) IS SELECT * FROM hives WHERE hive_id = p_id FOR UPDATE;
  PROCEDURE move (p_id IN NUMBER, p_to OUT NOCOPY DATE) IS
    l_n NUMBER := 0;
  BEGIN
    SELECT COUNT(*) INTO l_n FROM hives WHERE hive_id = p_id;
    IF l_n = 0 THEN
      RAISE_APPLICATION_ERROR(-20001, 'none');
    ELSIF l_n > 1 THEN
      dbms_output.put_line('many' || l_n);
    ELSE
      NULL;
    END IF;
    FOR r IN (SELECT name FROM hives ORDER BY name) LOOP
      dbms_output.put_line(r.name);
      EXIT WHEN l_n > 5;
    END LOOP;
    FOR i IN 1..10 LOOP
      l_n := l_n + i;
    END LOOP;
    WHILE l_n > 0 LOOP l_n := l_n - 1; END LOOP;
    OPEN c_hives(1); FETCH c_hives INTO l_n; CLOSE c_hives;
    EXECUTE IMMEDIATE 'DELETE FROM hives WHERE hive_id = :1' USING p_id;
    FORALL i IN 1..3 INSERT INTO log VALUES (i);
    UPDATE hives SET moved_on = SYSDATE WHERE hive_id = p_id RETURNING moved_on INTO p_to;
    COMMIT;
  EXCEPTION
    WHEN NO_DATA_FOUND THEN
      ROLLBACK;
    WHEN OTHERS THEN
      RAISE;
  END move;
END bees_pkg;
/
DECLARE
  v NUMBER;
BEGIN
  v := bees_pkg.f(1);
  bees_pkg.move(1, v);
END;
/
SELECT h.name, LEVEL, CONNECT_BY_ROOT h.name, SYS_CONNECT_BY_PATH(name, '/') FROM hives h START WITH mother_id IS NULL CONNECT BY NOCYCLE PRIOR hive_id = mother_id ORDER SIBLINGS BY name;
SELECT /*+ INDEX(h ix) */ h.*, ROWNUM FROM hives h, queens q WHERE h.queen_id = q.queen_id(+) AND ROWNUM <= 10;
SELECT apiary_id, LISTAGG(name, ',') WITHIN GROUP (ORDER BY name) OVER (PARTITION BY x) FROM t;
SELECT MAX(w) KEEP (DENSE_RANK FIRST ORDER BY d) FROM t GROUP BY GROUPING SETS ((a), (b, c), ());
INSERT ALL INTO a (x) VALUES (1) INTO b (y) VALUES (2) SELECT * FROM dual;
MERGE INTO hives h USING dual ON (h.hive_id = 1) WHEN MATCHED THEN UPDATE SET h.name = 'x' DELETE WHERE h.name IS NULL WHEN NOT MATCHED THEN INSERT (name) VALUES ('y');
SELECT * FROM t PIVOT (SUM(w) AS s FOR y IN (2025 AS a, 2026 AS b));
SELECT * FROM hives AS OF TIMESTAMP SYSTIMESTAMP - INTERVAL '10' MINUTE;
SELECT q'[it's]', N'x', DATE '2026-01-01', TIMESTAMP '2026-01-01 00:00:00' FROM dual;
SELECT * FROM hives SAMPLE (10) WHERE REGEXP_LIKE(name, '^a') FETCH FIRST 5 ROWS ONLY;
SELECT * FROM TABLE(my_func(1)) t, XMLTABLE('/x' PASSING d COLUMNS a NUMBER PATH 'a') x, JSON_TABLE(j, '$' COLUMNS (b VARCHAR2(10) PATH '$.b')) jt;
SELECT a FROM t MINUS SELECT b FROM u;
SELECT x.* FROM x MATCH_RECOGNIZE (PARTITION BY a ORDER BY b MEASURES c AS d PATTERN (s t+) DEFINE t AS t.x > 1) mr;
COMMENT ON TABLE hives IS 'it''s';
CREATE SEQUENCE s START WITH 1;
SELECT s.NEXTVAL FROM dual;
CREATE OR REPLACE TRIGGER trg BEFORE INSERT OR UPDATE OF name ON hives FOR EACH ROW WHEN (NEW.name IS NULL) BEGIN :NEW.name := 'x'; END;
/
EXEC bees_pkg.move(1)
SPOOL OFF
EXIT
SELECT country, year, kilos FROM yields
MODEL RETURN UPDATED ROWS PARTITION BY (country) DIMENSION BY (year) MEASURES (kilos) RULES UPSERT (kilos[2027] = kilos[2026] * 1.1, kilos[FOR year FROM 2028 TO 2030 INCREMENT 1] = kilos[CV(year) - 1])
ORDER BY country, year;
SELECT m.model FROM models m, model WHERE model.id = m.id;
SELECT * FROM ticks MATCH_RECOGNIZE (PARTITION BY hive_id ORDER BY at MEASURES A.at AS first_at ONE ROW PER MATCH AFTER MATCH SKIP PAST LAST ROW PATTERN (A B+) DEFINE B AS B.kilos > PREV(B.kilos)) m;
MERGE INTO hives h USING (SELECT * FROM news) n ON (h.hive_id = n.hive_id) WHEN MATCHED THEN UPDATE SET h.name = n.name WHERE n.name IS NOT NULL DELETE WHERE h.gone = 1 WHEN NOT MATCHED THEN INSERT (hive_id, name) VALUES (n.hive_id, n.name) WHERE n.hive_id > 0 LOG ERRORS INTO errs REJECT LIMIT 5;
