-- dialect: postgres, possible
SELECT apiary_id, COUNT(queen_id) AS hives FROM hives GROUP BY apiary_id; -- want "group.count-nullable"
SELECT COUNT(moved_on) AS row_count FROM hives; -- want "group.count-nullable"
SELECT apiary_id, COUNT(queen_id) AS queens FROM hives GROUP BY apiary_id;
SELECT apiary_id, COUNT(DISTINCT queen_id) AS hives FROM hives GROUP BY apiary_id;
SELECT apiary_id, COUNT(hive_id) AS hives FROM hives GROUP BY apiary_id;
SELECT apiary_id, COUNT(queen_id) AS hives FROM hives WHERE queen_id > 3 GROUP BY apiary_id;
SELECT k.village, COUNT(h.queen_id) AS hives FROM keepers AS k LEFT JOIN hives AS h ON h.keeper_id = k.keeper_id GROUP BY k.village;
