-- dialect: mariadb
SELECT name FROM Hives; -- want "name.case-folding"
SELECT h.NAME FROM hives AS h JOIN HARVESTS AS g ON g.HIVE_ID = h.hive_id; -- want "name.case-folding"
SELECT Name FROM hives WHERE HIVE_ID = 3;
SELECT h.name FROM hives AS H JOIN harvests ON HARVESTS.hive_id = H.hive_id; -- want "name.case-folding" "name.case-folding"
