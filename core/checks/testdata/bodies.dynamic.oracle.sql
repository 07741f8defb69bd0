-- dialect: oracle
BEGIN
  EXECUTE IMMEDIATE 'UPDATE hives SET name = ''Ash'' WHERE queen_id = NULL AND hive_id = :hive' USING 3; -- want "null.equals"
  EXECUTE IMMEDIATE 'TRUNCATE TABLE harvests'; -- want "write.truncated-parent"
  EXECUTE IMMEDIATE 'DELETE FROM ' || v_table || ' WHERE queen_id = NULL';
END;
/
