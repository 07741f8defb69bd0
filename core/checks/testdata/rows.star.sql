-- dialect: postgres
-- checks: rows.star
CREATE VIEW hive_list AS SELECT h.*, a.name AS apiary FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id;
INSERT INTO queens SELECT * FROM queens WHERE queen_id = 999; -- want "rows.star"
SELECT * FROM hives;
SELECT h.*, a.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id;
CREATE VIEW one_each AS SELECT x.* FROM (SELECT hive_id, name FROM hives) AS x;
SELECT name FROM hives WHERE EXISTS (SELECT * FROM harvests WHERE harvests.hive_id = hives.hive_id);
