-- dialect: oracle
CREATE OR REPLACE PROCEDURE move_hive(hive_id IN NUMBER, apiary IN NUMBER) IS
    most NUMBER := 3;
    keeper_id NUMBER;
BEGIN
    UPDATE hives SET apiary_id = apiary WHERE hive_id = hive_id; -- want "name.variable-hides-column"
    DELETE FROM sales s WHERE s.sale_id = most;
    UPDATE hives SET apiary_id = apiary WHERE keeper_id = keeper_id; -- want "name.variable-hides-column"
END move_hive;
/
CREATE OR REPLACE PROCEDURE move_hive_2(p_hive_id IN NUMBER, apiary IN NUMBER) IS
BEGIN
    UPDATE hives SET apiary_id = apiary WHERE hive_id = p_hive_id;
END move_hive_2;
/
