-- What MariaDB and MySQL scripts hold.
/*!40101 SET @OLD=@@x */;
DELIMITER //
CREATE PROCEDURE p(IN a INT, OUT b INT)
BEGIN
  DECLARE done INT DEFAULT FALSE;
  DECLARE cur CURSOR FOR SELECT hive_id FROM hives WHERE moved_on IS NULL;
  DECLARE CONTINUE HANDLER FOR NOT FOUND SET done = TRUE;
  OPEN cur;
  read_loop: LOOP
    FETCH cur INTO b;
    IF done THEN LEAVE read_loop; END IF;
    CASE WHEN b > 1 THEN SET b = 2; ELSE SET b = 3; END CASE;
  END LOOP;
  CLOSE cur;
  SELECT name FROM hives WHERE hive_id IN (1, 2, 3);
END//
CREATE TRIGGER t BEFORE INSERT ON hives FOR EACH ROW BEGIN SET NEW.name = UPPER(NEW.name); END//
DELIMITER ;
SELECT 1;
SET sql_mode = ORACLE;
DELIMITER //
CREATE OR REPLACE PROCEDURE weigh(hive IN INT, kilos OUT NUMBER) AS
  total NUMBER(8, 2) := 0;
  CURSOR c IS SELECT weight FROM harvests WHERE hive_id = hive;
BEGIN
  FOR r IN c LOOP
    total := total + r.weight;
  END LOOP;
  IF total > 5 THEN NULL; ELSIF total = 0 THEN RAISE none; END IF;
  kilos := total || '';
EXCEPTION
  WHEN no_data_found THEN kilos := NULL;
END;
//
DELIMITER ;
SET SESSION sql_mode = 'ANSI';
DELIMITER $$
CREATE FUNCTION one() RETURNS INT BEGIN RETURN 1; END$$
SELECT 1 AS one$$
DELIMITER ;
CREATE PROCEDURE weigh(IN hive INT) BEGIN SELECT 1; END;
--- a line of the client's
SELECT 3 --2;
SELECT name FROM hives WHERE hive_id = #{id} AND season = ${season};
SELECT hive_id, \
  name FROM hives;
CREATE TABLE swarms (id INT, v VECTOR(3) NOT NULL, VECTOR INDEX (v) M=6 DISTANCE=cosine, d1 DATE, d2 DATE, PERIOD FOR season (d1, d2), UNIQUE (id, season WITHOUT OVERLAPS));
ANALYZE TABLE hives PERSISTENT FOR COLUMNS (name) INDEXES ();
