-- dialect: oracle
CREATE OR REPLACE PROCEDURE weigh(p_hive IN NUMBER) IS
  v_name VARCHAR2(40);
  v_all names_t;
BEGIN
  SELECT h.name INTO v_name FROM hives h WHERE h.hive_id = p_hive;
  SELECT h.name INTO v_name FROM hives h WHERE h.apiary_id = p_hive; -- want "rows.into-several"
  SELECT h.name BULK COLLECT INTO v_all FROM hives h WHERE h.apiary_id = p_hive;
  SELECT MAX(h.name) INTO v_name FROM hives h WHERE h.apiary_id = p_hive;
END;
/
