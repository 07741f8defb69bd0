-- dialect: postgres
-- checks: type.not-allowed
UPDATE inspections SET temper = 7 WHERE inspection_id = 1; -- want "type.not-allowed"
UPDATE inspections SET temper = 5 WHERE inspection_id = -1;
SELECT i.hive_id FROM inspections i WHERE i.temper = 0 OR 9 = i.temper; -- want "type.not-allowed" "type.not-allowed"
SELECT hive_id FROM inspections WHERE temper IN (1, 2, 9); -- want "type.not-allowed"
SELECT hive_id FROM inspections WHERE temper <> 9 AND temper < 9 AND mites = 9;
SELECT hive_id FROM inspections WHERE temper = '9';
SELECT x.temper FROM (SELECT mites AS temper FROM inspections) AS x WHERE x.temper = 9;
