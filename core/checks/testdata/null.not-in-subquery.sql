-- dialect: postgres
SELECT name FROM queens WHERE queen_id NOT IN (SELECT queen_id FROM hives); -- want "null.not-in-subquery"
SELECT q.name
FROM queens AS q
WHERE q.bred_in > 2022
  AND q.queen_id NOT IN (SELECT h.queen_id -- want "null.not-in-subquery"
                         FROM hives AS h
                         WHERE h.apiary_id = 1 OR h.apiary_id = 2);
SELECT name FROM queens WHERE NOT (queen_id IN (SELECT queen_id FROM hives)); -- want "null.not-in-subquery"
SELECT name FROM keepers WHERE keeper_id NOT IN (SELECT k.mentor_id FROM keepers AS k GROUP BY k.mentor_id); -- want "null.not-in-subquery"
SELECT name FROM hives AS h WHERE hive_id NOT IN (SELECT i.hive_id FROM queens AS q LEFT JOIN inspections AS i ON i.keeper_id = q.queen_id); -- want "null.not-in-subquery" "type.different-domains"
SELECT name FROM queens WHERE queen_id NOT IN (SELECT CASE WHEN apiary_id = 1 THEN queen_id END FROM hives); -- want "null.not-in-subquery"
SELECT name FROM queens WHERE queen_id NOT IN (SELECT d.queen_id FROM (SELECT queen_id FROM hives) AS d); -- want "null.not-in-subquery"
SELECT name FROM queens WHERE queen_id NOT IN (SELECT queen_id FROM hives WHERE queen_id IS NOT NULL);
SELECT name FROM queens WHERE queen_id NOT IN (SELECT queen_id FROM hives WHERE queen_id > 3 AND apiary_id = 1);
SELECT name FROM queens WHERE queen_id NOT IN (SELECT queen_id FROM hives WHERE queen_id BETWEEN 1 AND 4);
SELECT name FROM hives WHERE hive_id NOT IN (SELECT hive_id FROM inspections);
SELECT name FROM queens WHERE queen_id IN (SELECT queen_id FROM hives);
SELECT name FROM queens WHERE queen_id NOT IN (SELECT COALESCE(queen_id, 0) FROM hives);
SELECT name FROM queens WHERE queen_id NOT IN (SELECT COUNT(*) FROM hives GROUP BY apiary_id);
SELECT name FROM queens WHERE queen_id NOT IN (SELECT 3);
SELECT name FROM hives WHERE hive_id NOT IN (1, 2);
SELECT name FROM queens AS q WHERE NOT EXISTS (SELECT 1 FROM hives AS h WHERE h.queen_id = q.queen_id);
SELECT name FROM queens WHERE queen_id NOT IN (SELECT d.queen_id FROM (SELECT queen_id FROM hives WHERE queen_id IS NOT NULL) AS d);
