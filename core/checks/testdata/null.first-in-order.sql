-- dialect: postgres
-- checks: null.first-in-order
SELECT i.hive_id FROM inspections AS i WHERE i.temper = 3 ORDER BY i.mites DESC FETCH FIRST 3 ROWS ONLY; -- want "null.first-in-order"
select name from queens order by mother_id desc, name limit 1; -- want "null.first-in-order"
SELECT h.name, g.weight_kg FROM hives h LEFT JOIN harvests g ON g.hive_id = h.hive_id ORDER BY g.weight_kg DESC LIMIT 10; -- want "null.first-in-order"
SELECT name FROM queens ORDER BY name, mother_id DESC LIMIT 1;
SELECT name FROM queens ORDER BY mother_id DESC NULLS FIRST LIMIT 1;
SELECT name FROM queens ORDER BY mother_id DESC OFFSET 3;
SELECT name FROM queens WHERE mother_id IS NOT NULL ORDER BY mother_id DESC LIMIT 1;
SELECT name FROM queens ORDER BY COALESCE(mother_id, 0) DESC LIMIT 1;
