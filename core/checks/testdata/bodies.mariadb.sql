-- dialect: mariadb
-- checks: syntax.unreadable, syntax.missing-comma, syntax.reserved-name, syntax.unbalanced, name.unknown-column, name.unknown-alias, group.ungrouped-column, null.equals
CREATE PROCEDURE every_statement(IN wanted INT, OUT counted INT, INOUT message VARCHAR(40))
  COMMENT 'all of them' MODIFIES SQL DATA SQL SECURITY INVOKER
outer_block: BEGIN
  DECLARE total BIGINT DEFAULT (SELECT COUNT(*) FROM hives WHERE apiary_id = 1);
  DECLARE hive_name, other_name VARCHAR(60);
  DECLARE done BOOLEAN DEFAULT FALSE;
  DECLARE odd CONDITION FOR SQLSTATE '45000';
  DECLARE late CURSOR FOR SELECT h.hive_id, h.name FROM hives AS h WHERE h.apiary_id = wanted;
  DECLARE CONTINUE HANDLER FOR NOT FOUND SET done = TRUE;
  DECLARE EXIT HANDLER FOR SQLEXCEPTION, odd BEGIN ROLLBACK; RESIGNAL; END;
  SET counted = wanted + 1, message = CONCAT(message, '!');
  SET @seen := counted;
  SELECT h.name, COUNT(*) INTO hive_name, counted FROM hives AS h GROUP BY h.name LIMIT 1;
  SELECT COUNT(*) FROM hives WHERE name = wanted AND apiary_id = counted INTO total;
  IF total IS NULL OR EXISTS (SELECT 1 FROM inspections AS i WHERE i.hive_id = wanted) THEN
    SIGNAL odd SET MESSAGE_TEXT = 'many';
  ELSEIF total BETWEEN 1 AND 2 THEN
    LEAVE outer_block;
  ELSE
    SET total = 0;
  END IF;
  CASE total WHEN 1 THEN SET total = 2; WHEN 3 THEN SET total = 4; ELSE SET total = 5; END CASE;
  CASE WHEN total > 3 THEN SET total = 1; ELSE BEGIN END; END CASE;
  OPEN late;
  again: LOOP
    FETCH late INTO counted, hive_name;
    IF done THEN LEAVE again; END IF;
    UPDATE hives SET frame_count = counted WHERE hive_id = counted;
    ITERATE again;
  END LOOP again;
  CLOSE late;
  WHILE total > 0 DO SET total = total - 1; END WHILE;
  REPEAT SET total = total + 1; UNTIL total > 3 END REPEAT;
  FOR i IN 1..3 DO UPDATE hives SET frame_count = i WHERE hive_id = i; END FOR;
  FOR rec IN (SELECT h.hive_id FROM hives AS h) DO UPDATE hives SET frame_count = 1 WHERE hive_id = rec.hive_id; END FOR;
  INSERT INTO buyers (buyer_id, name) VALUES (wanted, hive_name) ON DUPLICATE KEY UPDATE name = VALUES(name);
  DELETE FROM buyers WHERE buyer_id = wanted ORDER BY buyer_id LIMIT 1;
  CALL every_statement(1, @a, @b);
  DO RELEASE_LOCK('hives');
  PREPARE s FROM 'SELECT ?';
  EXECUTE s USING @seen;
  DEALLOCATE PREPARE s;
  GET DIAGNOSTICS counted = NUMBER;
  BEGIN
    DECLARE total INT DEFAULT 3;
    SET total = total + outer_total(total);
  END;
  COMMIT;
END;
CREATE FUNCTION outer_total(n INT) RETURNS INT DETERMINISTIC RETURN n * 2;
CREATE FUNCTION heavy(wanted INT) RETURNS DECIMAL(8, 2) READS SQL DATA
BEGIN
  DECLARE kg DECIMAL(8, 2);
  SELECT SUM(v.weight_kg) INTO kg FROM harvests AS v WHERE v.hive_id = wanted;
  RETURN IFNULL(kg, 0);
END;
CREATE TRIGGER on_change BEFORE UPDATE ON hives FOR EACH ROW
BEGIN
  IF NOT (NEW.name <=> OLD.name) THEN SET NEW.name = UPPER(NEW.name); END IF;
  INSERT INTO buyers (buyer_id, name) SELECT NEW.hive_id, h.name FROM hives AS h WHERE h.hive_id = OLD.hive_id;
END;
CREATE TRIGGER on_insert AFTER INSERT ON hives FOR EACH ROW UPDATE apiaries SET name = NEW.name WHERE apiary_id = NEW.apiary_id;
CREATE EVENT nightly ON SCHEDULE EVERY 1 DAY STARTS '2026-05-01 00:00:00' DO DELETE FROM buyers WHERE name = NULL; -- want "null.equals"
CREATE PROCEDURE slips() BEGIN DELETE FROM hives WHERE name = NULL; UPDATE hives SET frame_cuont = 2; END; -- want "null.equals" "name.unknown-column"
BEGIN NOT ATOMIC DECLARE n INT DEFAULT 3; UPDATE hives SET frame_count = n WHERE hive_id = n; END;
