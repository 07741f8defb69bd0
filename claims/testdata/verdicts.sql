-- Small queries over all rules of names, aliases, grouping and places. Whether a
-- database refuses them is asked of the database itself.
SELECT hive_id FROM hives
SELECT hive FROM hives
SELECT h.hive_id FROM hives h
SELECT h.hive FROM hives h
SELECT x.hive_id FROM hives h
SELECT hives.hive_id FROM hives h
SELECT hives.hive_id FROM hives
SELECT h.* FROM hives h
SELECT x.* FROM hives h
SELECT * FROM hive
SELECT * FROM (SELECT 1 AS a) x
SELECT a FROM (SELECT 1 AS a) x
SELECT b FROM (SELECT 1 AS a) x
SELECT x.a FROM (SELECT 1 AS a) x
SELECT y.a FROM (SELECT 1 AS a) x
SELECT name FROM hives, queens
SELECT h.name FROM hives h, queens
SELECT name FROM hives JOIN harvests ON harvests.hive_id = hives.hive_id
SELECT hive_id FROM hives JOIN harvests ON harvests.hive_id = hives.hive_id
SELECT hive_id FROM hives JOIN harvests USING (hive_id)
SELECT hives.hive_id FROM hives JOIN harvests USING (hive_id)
SELECT hive_id FROM hives JOIN harvests USING (hive)
SELECT hive_id FROM hives NATURAL JOIN harvests
SELECT name FROM hives NATURAL JOIN harvests
SELECT hive_id FROM hives LEFT JOIN harvests USING (hive_id) WHERE weight_kg > 3
SELECT a.hive_id FROM hives a, hives b
SELECT hive_id FROM hives a, hives b
SELECT a.hive_id FROM hives a, hives a
SELECT 1 FROM hives a JOIN queens a ON 1 = 1
SELECT 1 FROM hives, hives
SELECT 1 FROM hives h JOIN queens q ON q.queen_id = h.queen_id
SELECT 1 FROM hives h JOIN queens q ON q.queen_id = x.queen_id
SELECT 1 FROM hives h JOIN queens q ON queen_id = h.queen_id
SELECT 1 FROM hives h JOIN queens q ON bred_in = 2024
SELECT 1 FROM hives h JOIN queens q ON q.queen_id = k.keeper_id JOIN keepers k ON 1 = 1
SELECT 1 FROM hives h JOIN queens q ON q.queen_id = h.queen_id JOIN keepers k ON k.keeper_id = h.keeper_id
SELECT 1 FROM hives h, queens q JOIN keepers k ON k.keeper_id = q.queen_id
SELECT name FROM hives WHERE hive_id = 1
SELECT name FROM hives WHERE hive = 1
SELECT name AS n FROM hives WHERE n = 'Ash'
SELECT name AS hive_id FROM hives WHERE hive_id = 3
SELECT name AS n FROM hives ORDER BY n
SELECT name AS n FROM hives ORDER BY N
SELECT name AS n FROM hives ORDER BY m
SELECT name AS n FROM hives ORDER BY frame_count
SELECT name AS n FROM hives ORDER BY hives.frame_count
SELECT name AS n FROM hives ORDER BY h.frame_count
SELECT frame_count AS n FROM hives ORDER BY n + 1
SELECT frame_count AS n FROM hives ORDER BY (n)
SELECT frame_count + 1 AS name FROM hives ORDER BY name
SELECT frame_count FROM hives ORDER BY 1
SELECT frame_count FROM hives ORDER BY 2
SELECT frame_count AS n, n + 1 AS m FROM hives
SELECT frame_count AS hive_id, hive_id + 1 AS m FROM hives
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id
SELECT apiary_id AS a, COUNT(*) FROM hives GROUP BY a
SELECT apiary_id AS a, COUNT(*) FROM hives GROUP BY A
SELECT apiary_id AS a, COUNT(*) FROM hives GROUP BY b
SELECT apiary_id, COUNT(*) FROM hives GROUP BY 1
SELECT apiary_id, COUNT(*) FROM hives GROUP BY 2
SELECT apiary_id, COUNT(*) FROM hives GROUP BY 3
SELECT apiary_id + 1 AS a, COUNT(*) FROM hives GROUP BY a
SELECT apiary_id + 1 AS a, COUNT(*) FROM hives GROUP BY a + 1
SELECT apiary_id, COUNT(*) FROM hives
SELECT name, COUNT(*) FROM hives GROUP BY apiary_id
SELECT name, COUNT(*) FROM hives GROUP BY hive_id
SELECT h.name, COUNT(*) FROM hives h GROUP BY h.hive_id
SELECT UPPER(name), COUNT(*) FROM hives GROUP BY name
SELECT UPPER(name), COUNT(*) FROM hives GROUP BY UPPER(name)
SELECT UPPER(name), COUNT(*) FROM hives GROUP BY LOWER(name)
SELECT name, COUNT(*) FROM hives GROUP BY UPPER(name)
SELECT a.name, COUNT(h.hive_id) FROM apiaries a LEFT JOIN hives h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id
SELECT a.name, h.name FROM apiaries a JOIN hives h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id
SELECT a.name, h.name FROM apiaries a JOIN hives h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id, h.hive_id
SELECT a.keeper_id, COUNT(*) FROM apiaries a GROUP BY a.name
SELECT MAX(name) FROM hives GROUP BY apiary_id
SELECT 1 FROM hives GROUP BY apiary_id
SELECT apiary_id FROM hives GROUP BY apiary_id ORDER BY COUNT(*)
SELECT apiary_id FROM hives GROUP BY apiary_id ORDER BY name
SELECT apiary_id FROM hives GROUP BY apiary_id ORDER BY MAX(name)
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) > 1
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING name = 'x'
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING apiary_id > 1
SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id HAVING n > 1
SELECT apiary_id AS a FROM hives GROUP BY apiary_id HAVING a > 1
SELECT apiary_id FROM hives HAVING COUNT(*) > 1
SELECT COUNT(*) FROM hives HAVING COUNT(*) > 1
SELECT name FROM hives HAVING name = 'x'
SELECT COUNT(*) FROM hives WHERE COUNT(*) > 1
SELECT name FROM hives WHERE MAX(hive_id) = hive_id
SELECT name FROM hives WHERE hive_id = (SELECT MAX(hive_id) FROM hives)
SELECT 1 FROM hives h JOIN harvests g ON SUM(g.weight_kg) > 3
SELECT apiary_id FROM hives GROUP BY apiary_id, COUNT(*)
SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id, n
SELECT MAX(SUM(weight_kg)) FROM harvests
SELECT SUM(MAX(weight_kg)) FROM harvests GROUP BY hive_id
SELECT SUM(COUNT(*)) OVER () FROM harvests GROUP BY hive_id
SELECT SUM(weight_kg) OVER () FROM harvests GROUP BY hive_id
SELECT ROW_NUMBER() OVER (ORDER BY hive_id) FROM harvests
SELECT ROW_NUMBER() OVER (ORDER BY nope) FROM harvests
SELECT ROW_NUMBER() OVER w FROM harvests WINDOW w AS (ORDER BY hive_id)
SELECT ROW_NUMBER() OVER v FROM harvests WINDOW w AS (ORDER BY hive_id)
SELECT hive_id FROM harvests WHERE ROW_NUMBER() OVER (ORDER BY hive_id) = 1
SELECT hive_id FROM harvests GROUP BY hive_id HAVING RANK() OVER (ORDER BY hive_id) = 1
SELECT COUNT(*) FROM harvests GROUP BY RANK() OVER (ORDER BY hive_id)
SELECT hive_id FROM harvests ORDER BY RANK() OVER (ORDER BY weight_kg)
SELECT name FROM hives WHERE EXISTS (SELECT 1 FROM harvests WHERE hive_id = hives.hive_id)
SELECT name FROM hives h WHERE EXISTS (SELECT 1 FROM harvests g WHERE g.hive_id = h.hive_id)
SELECT name FROM hives h WHERE EXISTS (SELECT 1 FROM harvests g WHERE g.hive_id = x.hive_id)
SELECT name FROM hives h WHERE EXISTS (SELECT 1 FROM harvests g WHERE g.hive_id = h.nope)
SELECT name FROM hives h WHERE EXISTS (SELECT nope FROM harvests g)
SELECT name FROM hives h WHERE EXISTS (SELECT frame_count FROM harvests g)
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests)
SELECT name FROM hives WHERE hive_id IN (SELECT frame_count FROM harvests)
SELECT name FROM hives WHERE hive_id IN (SELECT nope FROM harvests)
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id, weight_kg FROM harvests)
SELECT name FROM hives WHERE (hive_id, frame_count) IN (SELECT hive_id, weight_kg FROM harvests)
SELECT (SELECT hive_id, weight_kg FROM harvests) FROM hives
SELECT (SELECT MAX(weight_kg) FROM harvests) FROM hives
SELECT (SELECT MAX(weight_kg) FROM harvests g WHERE g.hive_id = h.hive_id) FROM hives h
SELECT (SELECT name) FROM hives
SELECT (SELECT nope) FROM hives
SELECT d.kg FROM hives h JOIN (SELECT SUM(weight_kg) AS kg FROM harvests g WHERE g.hive_id = h.hive_id) d ON 1 = 1
SELECT d.kg FROM hives h, (SELECT weight_kg AS kg FROM harvests WHERE hive_id = h.hive_id) d
SELECT d.kg FROM (SELECT weight_kg AS kg FROM harvests) d, hives h WHERE d.kg > h.frame_count
SELECT kg FROM (SELECT weight_kg AS kg, moisture AS kg FROM harvests) d
SELECT 1 FROM (SELECT weight_kg AS kg, moisture AS kg FROM harvests) d
SELECT 1 FROM (SELECT weight_kg AS kg FROM harvests)
WITH d AS (SELECT weight_kg AS kg FROM harvests) SELECT kg FROM d
WITH d AS (SELECT weight_kg AS kg FROM harvests) SELECT weight_kg FROM d
WITH d (kg) AS (SELECT weight_kg FROM harvests) SELECT kg FROM d
WITH d (kg) AS (SELECT weight_kg FROM harvests) SELECT weight_kg FROM d
WITH d (kg, m) AS (SELECT weight_kg FROM harvests) SELECT kg FROM d
WITH d AS (SELECT 1 AS a), e AS (SELECT a FROM d) SELECT a FROM e
WITH e AS (SELECT a FROM d), d AS (SELECT 1 AS a) SELECT a FROM e
WITH d AS (SELECT 1 AS a), d AS (SELECT 2 AS a) SELECT a FROM d
WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 3) SELECT i FROM n
WITH n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 3) SELECT i FROM n
WITH hives AS (SELECT 1 AS a) SELECT a FROM hives
WITH hives AS (SELECT 1 AS a) SELECT name FROM hives
WITH d AS (SELECT 1 AS a) SELECT d.a, x.a FROM d AS x
WITH d AS (SELECT 1 AS a) SELECT (SELECT a FROM d) FROM hives
SELECT (WITH d AS (SELECT 1 AS a) SELECT a FROM d) FROM hives
SELECT name FROM hives UNION SELECT name FROM queens
SELECT name FROM hives UNION SELECT name, queen_id FROM queens
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY name
SELECT name AS n FROM hives UNION SELECT name FROM queens ORDER BY n
SELECT name AS n FROM hives UNION SELECT name FROM queens ORDER BY hive_id
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY 1
SELECT name FROM hives UNION SELECT name FROM queens ORDER BY 2
SELECT name FROM hives ORDER BY name UNION SELECT name FROM queens
SELECT n FROM (SELECT name AS n FROM hives UNION SELECT name FROM queens) u
SELECT name FROM (SELECT name AS n FROM hives UNION SELECT name FROM queens) u
SELECT DISTINCT name FROM hives ORDER BY name
SELECT DISTINCT name FROM hives ORDER BY frame_count
SELECT DISTINCT name AS n FROM hives ORDER BY n
SELECT DISTINCT name, frame_count FROM hives ORDER BY frame_count
SELECT COUNT(DISTINCT name) FROM hives
SELECT COUNT(DISTINCT nope) FROM hives
SELECT COUNT(name) FROM hives ORDER BY name
SELECT COUNT(*) FROM hives ORDER BY COUNT(*)
SELECT CASE WHEN frame_count > 3 THEN name ELSE nope END FROM hives
SELECT CASE frame_count WHEN 1 THEN 'a' END FROM hives
SELECT COALESCE(moved_on, nope) FROM hives
SELECT name FROM hives WHERE name LIKE nope
SELECT name FROM hives WHERE frame_count BETWEEN 1 AND nope
SELECT name FROM hives WHERE frame_count IN (1, nope)
UPDATE hives SET name = 'x' WHERE hive_id = -1
UPDATE hives SET name = nope WHERE hive_id = -1
UPDATE hives SET frame_count = frame_count + 1 WHERE hive_id = -1
UPDATE hives SET name = 'x' WHERE nope = 1
UPDATE hive SET name = 'x' WHERE hive_id = -1
UPDATE hives SET frame_count = COUNT(*) WHERE hive_id = -1
UPDATE hives SET name = (SELECT name FROM queens q WHERE q.queen_id = hives.queen_id) WHERE hive_id = -1
UPDATE hives SET name = (SELECT name FROM queens q WHERE q.queen_id = h.queen_id) WHERE hive_id = -1
UPDATE hives SET frame_count = (SELECT queen_id, 1 FROM queens) WHERE hive_id = -1
DELETE FROM hives WHERE hive_id = -1
DELETE FROM hives WHERE nope = -1
DELETE FROM hives WHERE hives.hive_id = -1
DELETE FROM hives WHERE x.hive_id = -1
DELETE FROM hive WHERE hive_id = -1
DELETE FROM hives WHERE hive_id = (SELECT hive_id FROM harvests WHERE weight_kg = frame_count AND hive_id < 0)
INSERT INTO sales (sale_id, buyer_id, harvest_id, sold_at, jars) SELECT harvest_id + 900, 1, harvest_id, taken_on, 1 FROM harvests WHERE hive_id = -1
INSERT INTO sales (sale_id, buyer_id, harvest_id, sold_at, jars) SELECT nope, 1, harvest_id, taken_on, 1 FROM harvests WHERE hive_id = -1
INSERT INTO sails (sale_id) SELECT harvest_id FROM harvests
SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id ORDER BY name
SELECT h.name AS name, q.name AS queen FROM hives h JOIN queens q ON q.queen_id = h.queen_id ORDER BY name
SELECT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id WHERE name = 'x'
SELECT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id GROUP BY name
SELECT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id GROUP BY h.name
SELECT h.name FROM hives h JOIN queens q USING (queen_id) WHERE queen_id = 3
SELECT h.name FROM hives h JOIN queens q USING (queen_id) JOIN queens r USING (queen_id) WHERE queen_id = 3
SELECT frame_count FROM hives h JOIN queens q USING (queen_id) ORDER BY queen_id
SELECT x.n FROM (SELECT h.name AS n FROM hives h) x WHERE h.name = 'a'
SELECT x.n FROM (SELECT name AS n FROM hives) x JOIN (SELECT name AS n FROM queens) y ON x.n = y.n
SELECT n FROM (SELECT name AS n FROM hives) x JOIN (SELECT name AS n FROM queens) y ON x.n = y.n
SELECT x.* FROM (SELECT name FROM hives) x ORDER BY name
SELECT name FROM (SELECT * FROM hives) x
SELECT nope FROM (SELECT * FROM hives) x
SELECT x.hive_id FROM (SELECT h.*, q.bred_in FROM hives h JOIN queens q ON q.queen_id = h.queen_id) x
SELECT x.name FROM (SELECT h.*, q.bred_in FROM hives h JOIN queens q ON q.queen_id = h.queen_id) x
SELECT x.bred_in FROM (SELECT h.* FROM hives h JOIN queens q ON q.queen_id = h.queen_id) x
SELECT COUNT(*) FROM hives GROUP BY apiary_id, keeper_id
SELECT keeper_id, COUNT(*) FROM hives GROUP BY apiary_id, keeper_id
SELECT keeper_id + apiary_id, COUNT(*) FROM hives GROUP BY apiary_id, keeper_id
SELECT keeper_id + frame_count, COUNT(*) FROM hives GROUP BY apiary_id, keeper_id
SELECT (SELECT name FROM apiaries a WHERE a.apiary_id = h.apiary_id) AS yard, COUNT(*) FROM hives h GROUP BY h.apiary_id
SELECT (SELECT name FROM apiaries a WHERE a.apiary_id = h.apiary_id) AS yard, COUNT(*) FROM hives h GROUP BY h.keeper_id
SELECT MAX(frame_count), MIN(frame_count) FROM hives WHERE frame_count > 3
SELECT MAX(frame_count) + frame_count FROM hives
SELECT MAX(frame_count), 'all' FROM hives
SELECT MAX(frame_count), CURRENT_DATE FROM hives
SELECT apiary_id, MAX(frame_count) - MIN(frame_count) AS spread FROM hives GROUP BY apiary_id ORDER BY spread
SELECT apiary_id, MAX(frame_count) AS m FROM hives GROUP BY apiary_id ORDER BY m DESC, apiary_id
SELECT apiary_id, MAX(frame_count) AS m FROM hives GROUP BY apiary_id ORDER BY keeper_id
SELECT 'x' AS apiary_id, COUNT(*) FROM hives GROUP BY apiary_id
SELECT frame_count AS apiary_id, COUNT(*) FROM hives GROUP BY apiary_id
SELECT 1 AS one FROM hives GROUP BY one
SELECT name FROM hives GROUP BY name HAVING MAX(frame_count) > MIN(frame_count)
SELECT name FROM hives WHERE 1 = 1 AND (hive_id = 1 OR nope = 2)
SELECT -nope FROM hives
SELECT NOT nope FROM hives
SELECT name FROM hives h WHERE h.hive_id = ALL (SELECT g.hive_id FROM harvests g WHERE g.taken_on = h.moved_on)
SELECT h.hive_id FROM hives h JOIN hives i ON h.hive_id = i.hive_id AND i.name = name
SELECT CAST(nope AS DECIMAL(4, 1)) FROM hives
SELECT CAST(frame_count AS DECIMAL(4, 1)) FROM hives
SELECT SUM(frame_count) AS total FROM hives WHERE total > 3
SELECT name FROM hives WHERE hive_id = MAX(hive_id) OR 1 = 1
SELECT h.name FROM hives h WHERE h.hive_id IN (SELECT hive_id FROM harvests GROUP BY hive_id HAVING SUM(weight_kg) > h.frame_count)
SELECT h.name FROM hives h WHERE 3 < (SELECT COUNT(*) FROM harvests g WHERE g.hive_id = h.hive_id)
SELECT h.name FROM hives h GROUP BY h.name, h.hive_id HAVING 3 < (SELECT COUNT(*) FROM harvests g WHERE g.hive_id = h.hive_id)
SELECT h.name FROM hives h GROUP BY h.name HAVING 3 < (SELECT COUNT(*) FROM harvests g WHERE g.hive_id = h.hive_id)
SELECT a.apiary_id FROM apiaries a LEFT JOIN hives h ON h.apiary_id = a.apiary_id AND a.name = h.name WHERE h.hive_id IS NULL
SELECT a.apiary_id FROM apiaries a LEFT JOIN hives h ON h.apiary_id = a.apiary_id AND b.name = h.name
SELECT k.name FROM keepers k WHERE k.mentor_id = keeper_id
SELECT k.name, m.name FROM keepers k JOIN keepers m ON m.keeper_id = k.mentor_id
SELECT k.name, m.name FROM keepers k JOIN keepers m ON m.keeper_id = mentor_id
SELECT keepers.name FROM keepers JOIN apiaries ON apiaries.keeper_id = keepers.keeper_id
SELECT keepers.village, apiaries.village FROM keepers JOIN apiaries ON apiaries.keeper_id = keepers.keeper_id
SELECT village FROM keepers JOIN apiaries ON apiaries.keeper_id = keepers.keeper_id
SELECT village FROM keepers JOIN buyers ON buyers.keeper_id = keepers.keeper_id
SELECT altitude_m, village FROM keepers JOIN apiaries USING (keeper_id)
SELECT keeper_id FROM keepers JOIN apiaries USING (keeper_id) JOIN hives USING (keeper_id)
SELECT apiary_id FROM keepers JOIN apiaries USING (keeper_id) JOIN hives USING (keeper_id)
SELECT keeper_id FROM keepers LEFT JOIN apiaries USING (keeper_id) GROUP BY keeper_id
SELECT k.keeper_id FROM keepers k LEFT JOIN apiaries a USING (keeper_id) GROUP BY keeper_id
SELECT keeper_id, COUNT(*) FROM keepers k LEFT JOIN apiaries a USING (keeper_id) GROUP BY k.keeper_id
SELECT 1 FROM keepers k, apiaries a, hives h WHERE k.keeper_id = a.keeper_id AND a.apiary_id = h.apiary_id AND altitude_m > 3
SELECT 1 FROM keepers k, apiaries a, hives h WHERE k.keeper_id = a.keeper_id AND apiary_id = 3
SELECT 1 FROM keepers k WHERE keeper_id IN (SELECT keeper_id FROM apiaries WHERE altitude_m > 300 AND village = 'x')
SELECT 1 FROM keepers k WHERE keeper_id IN (SELECT keeper_id FROM apiaries WHERE altitude_m > 300 AND colour = 'x')
SELECT 1 FROM keepers k WHERE EXISTS (SELECT 1 FROM apiaries a WHERE EXISTS (SELECT 1 FROM hives h WHERE h.apiary_id = a.apiary_id AND h.keeper_id = k.keeper_id))
SELECT 1 FROM keepers k WHERE EXISTS (SELECT 1 FROM apiaries a WHERE EXISTS (SELECT 1 FROM hives h WHERE h.apiary_id = a.apiary_id AND h.keeper_id = z.keeper_id))
SELECT 1 FROM keepers k WHERE EXISTS (SELECT 1 FROM apiaries a) AND a.apiary_id = 1
SELECT k.name FROM keepers k WHERE k.joined_on = (SELECT MIN(joined_on) FROM keepers)
SELECT k.name FROM keepers k WHERE k.joined_on = (SELECT MIN(j.joined_on) FROM keepers j WHERE j.village = k.village)
SELECT k.name FROM keepers k WHERE k.joined_on = (SELECT MIN(j.joined_on), 1 FROM keepers j)
SELECT village, COUNT(*) FROM keepers GROUP BY village HAVING COUNT(*) > (SELECT COUNT(*) FROM apiaries)
SELECT village, COUNT(*) FROM keepers GROUP BY village HAVING COUNT(*) > (SELECT altitude_m FROM apiaries WHERE apiary_id = keepers.keeper_id)
SELECT village, COUNT(*) AS n FROM keepers GROUP BY village ORDER BY n, village
SELECT village, COUNT(*) AS n FROM keepers GROUP BY village ORDER BY n + 1
SELECT village, COUNT(*) AS n FROM keepers GROUP BY village ORDER BY COUNT(*) + 1
SELECT village, COUNT(*) AS n FROM keepers GROUP BY village ORDER BY joined_on
SELECT COALESCE(village, 'none') AS v, COUNT(*) FROM keepers GROUP BY village
SELECT COALESCE(village, 'none') AS v, COUNT(*) FROM keepers GROUP BY v
SELECT COALESCE(village, 'none') AS village, COUNT(*) FROM keepers GROUP BY village
SELECT COALESCE(village, name) AS v, COUNT(*) FROM keepers GROUP BY village
SELECT CASE WHEN village IS NULL THEN 0 ELSE 1 END AS settled, COUNT(*) FROM keepers GROUP BY settled
SELECT CASE WHEN village IS NULL THEN 0 ELSE 1 END AS settled, COUNT(*) FROM keepers GROUP BY village
SELECT CASE WHEN name IS NULL THEN 0 ELSE 1 END AS named, COUNT(*) FROM keepers GROUP BY village
SELECT m.village, COUNT(k.keeper_id) FROM keepers m JOIN keepers k ON k.mentor_id = m.keeper_id GROUP BY m.village
SELECT m.village, k.village FROM keepers m JOIN keepers k ON k.mentor_id = m.keeper_id GROUP BY m.village
SELECT m.keeper_id, m.village, COUNT(k.keeper_id) FROM keepers m JOIN keepers k ON k.mentor_id = m.keeper_id GROUP BY m.keeper_id
SELECT m.keeper_id, k.village, COUNT(k.keeper_id) FROM keepers m JOIN keepers k ON k.mentor_id = m.keeper_id GROUP BY m.keeper_id
SELECT sale_id, SUM(jars) FROM sales
SELECT SUM(jars), MAX(price) FROM sales WHERE price > 3 GROUP BY buyer_id HAVING SUM(jars) > 3 ORDER BY SUM(jars) DESC
SELECT SUM(jars) AS jars FROM sales GROUP BY buyer_id HAVING SUM(jars) > 3 ORDER BY jars
SELECT buyer_id FROM sales GROUP BY buyer_id HAVING jars > 3
SELECT buyer_id, SUM(jars) AS total FROM sales GROUP BY buyer_id ORDER BY total / 2
SELECT buyer_id, AVG(jars * price) FROM sales GROUP BY buyer_id
SELECT buyer_id, jars * SUM(price) FROM sales GROUP BY buyer_id
SELECT buyer_id, SUM(CASE WHEN jars > 3 THEN 1 ELSE 0 END) FROM sales GROUP BY buyer_id
SELECT buyer_id, CASE WHEN jars > 3 THEN SUM(price) ELSE 0 END FROM sales GROUP BY buyer_id
SELECT b.name, (SELECT SUM(s.jars) FROM sales s WHERE s.buyer_id = b.buyer_id) FROM buyers b
SELECT b.name, (SELECT SUM(s.jars) FROM sales s WHERE s.buyer_id = b.nope) FROM buyers b
SELECT b.name, (SELECT s.jars, s.price FROM sales s WHERE s.buyer_id = b.buyer_id) FROM buyers b
SELECT buyer_id, ROW_NUMBER() OVER (PARTITION BY buyer_id ORDER BY sold_at) AS n FROM sales
SELECT buyer_id, ROW_NUMBER() OVER (PARTITION BY nope ORDER BY sold_at) AS n FROM sales
SELECT buyer_id, ROW_NUMBER() OVER (PARTITION BY buyer_id ORDER BY sold_at) AS n FROM sales WHERE n = 1
SELECT buyer_id, ROW_NUMBER() OVER (PARTITION BY buyer_id ORDER BY sold_at) AS n FROM sales ORDER BY n
SELECT x.buyer_id FROM (SELECT buyer_id, ROW_NUMBER() OVER (PARTITION BY buyer_id ORDER BY sold_at) AS n FROM sales) x WHERE x.n = 1
SELECT buyer_id, SUM(jars), RANK() OVER (ORDER BY SUM(jars) DESC) FROM sales GROUP BY buyer_id
SELECT buyer_id, RANK() OVER (ORDER BY buyer_id) FROM sales GROUP BY buyer_id
SELECT queen_id FROM queens WHERE mother_id IN (SELECT queen_id FROM queens WHERE bred_in < 2020)
SELECT q.queen_id FROM queens q JOIN queens m ON m.queen_id = q.mother_id WHERE m.bred_in < 2020 AND colour = 'red'
SELECT q.queen_id FROM queens q JOIN queens m ON m.queen_id = q.mother_id WHERE m.bred_in < 2020 AND q.colour = 'red'
SELECT treatments.substance FROM treatments t
SELECT t.substance FROM treatments t WHERE treatments.dose_ml > 3
SELECT substance FROM treatments WHERE dose > 3
SELECT substance FROM treatment
SELECT substance AS s, s FROM treatments
SELECT t.substance FROM treatments AS t ORDER BY t.s
SELECT inspections.remark FROM hives LEFT JOIN inspections ON inspections.hive_id = hives.hive_id AND inspections.mite > 3
SELECT i.remark FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND mites > 3
SELECT i.remark FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND hive_id > 3
SELECT i.remark FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND keeper_id > 3
SELECT COUNT(i.inspection_id) FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.temper > 3 GROUP BY h.hive_id ORDER BY h.name
SELECT COUNT(DISTINCT *) FROM buyers
SELECT MAX(DISTINCT jars), SUM(DISTINCT price) FROM sales
SELECT buyer_id, buyer_id, COUNT(*) AS n FROM sales GROUP BY buyer_id, buyer_id ORDER BY n, n
SELECT buyer_id FROM sales GROUP BY buyer_id
SELECT COUNT(*) FROM buyers GROUP BY 'name'
SELECT buyer_id, COUNT(*) FROM sales GROUP BY 1
SELECT d.max FROM (SELECT MAX(frame_count) FROM hives) AS d
SELECT max + 1 AS n FROM (SELECT MAX(frame_count) FROM hives) AS d
SELECT d.min FROM (SELECT MAX(frame_count) FROM hives) AS d
SELECT d.coalesce FROM (SELECT COALESCE(moved_on, NULL) FROM hives) AS d
SELECT d.name FROM (SELECT CAST(name AS char(3)) FROM hives) AS d
SELECT d.n FROM (SELECT frame_count + 1 FROM hives) AS d
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id ORDER BY count
SELECT UPPER(name) AS name, COUNT(*) AS n FROM hives GROUP BY name
SELECT UPPER(name) AS name FROM hives ORDER BY LENGTH(name)
SELECT hive_id FROM HIVES WHERE NAME = 'Ash'
SELECT h.hive_id FROM hives AS H WHERE h.name = 'Ash'
SELECT hive_id FROM hives WHERE name = "Ash"
SELECT hive_id FROM hives WHERE name IN ("Ash", "Elm")
SELECT "name" FROM "hives"
SELECT "NAME" FROM hives
SELECT h.name FROM hives h WHERE EXISTS (SELECT h.name FROM queens q WHERE q.queen_id = h.queen_id)
SELECT h.name FROM hives h WHERE EXISTS (SELECT x.name FROM queens q WHERE q.queen_id = h.queen_id)
SELECT q.name FROM queens q WHERE q.queen_id IN (SELECT q.mother_id FROM queens m WHERE m.queen_id = q.mother_id)
SELECT (SELECT MAX(i.mites) FROM inspections i WHERE i.hive_id = h.hive_id) AS m FROM hives h ORDER BY m
SELECT (SELECT i.mites, i.temper FROM inspections i LIMIT 1) AS m FROM hives h
SELECT name FROM hives WHERE (hive_id, keeper_id) IN (SELECT hive_id, keeper_id FROM inspections)
SELECT name FROM hives WHERE (hive_id, keeper_id) IN (SELECT hive_id FROM inspections)
SELECT name FROM hives WHERE hive_id IN (SELECT hive_id, keeper_id FROM inspections)
SELECT name FROM hives WHERE hive_id = (SELECT MAX(hive_id), MIN(hive_id) FROM inspections)
SELECT d.kg FROM (SELECT hive_id, SUM(weight_kg) kg FROM harvests GROUP BY hive_id) d WHERE d.kg > 3
SELECT d.kg FROM (SELECT hive_id, SUM(weight_kg) kg FROM harvests GROUP BY hive_id) d WHERE d.weight_kg > 3
SELECT kg FROM (SELECT hive_id, SUM(weight_kg) kg FROM harvests GROUP BY hive_id) d GROUP BY kg
SELECT hive_id, kg FROM (SELECT hive_id, SUM(weight_kg) kg FROM harvests GROUP BY hive_id) d GROUP BY kg
SELECT a.name FROM apiaries a JOIN hives h ON h.apiary_id = a.apiary_id AND frame_count > 3
SELECT a.name FROM apiaries a JOIN hives h ON apiary_id = a.apiary_id
SELECT a.name, h.name FROM apiaries a JOIN hives h USING (apiary_id) WHERE apiary_id = 1
SELECT a.name, h.name FROM apiaries a JOIN hives h USING (apiary_id) WHERE keeper_id = 1
SELECT apiary_id, COUNT(*) FROM apiaries a JOIN hives h USING (apiary_id) GROUP BY apiary_id
SELECT a.apiary_id, COUNT(*) FROM apiaries a JOIN hives h USING (apiary_id) GROUP BY apiary_id
SELECT a.name FROM apiaries a JOIN hives h USING (hive_id)
SELECT a.name FROM apiaries a JOIN hives h USING (altitude_m)
SELECT a.name FROM apiaries a LEFT JOIN hives h USING (apiary_id, keeper_id)
SELECT a.name FROM apiaries a LEFT JOIN hives h USING (apiary_id, village)
SELECT k.name, m.name FROM keepers k LEFT JOIN keepers m ON m.keeper_id = k.mentor_id
SELECT name FROM keepers k LEFT JOIN keepers m ON m.keeper_id = k.mentor_id
SELECT keepers.name FROM keepers k LEFT JOIN keepers m ON m.keeper_id = k.mentor_id
SELECT k.* FROM keepers k LEFT JOIN keepers m ON m.keeper_id = k.mentor_id
SELECT x.* FROM keepers k LEFT JOIN keepers m ON m.keeper_id = k.mentor_id
SELECT h.hive_id AS id, COUNT(*) FROM hives h GROUP BY id
SELECT h.hive_id AS id, COUNT(*) FROM hives h GROUP BY h.id
SELECT h.hive_id AS id FROM hives h WHERE id = 3
SELECT h.hive_id AS id FROM hives h ORDER BY id
SELECT h.hive_id AS id FROM hives h ORDER BY id + 1
SELECT h.hive_id AS id FROM hives h ORDER BY h.id
SELECT h.hive_id AS id FROM hives h HAVING id > 3
SELECT h.apiary_id AS a, COUNT(*) AS n FROM hives h GROUP BY h.apiary_id HAVING n > 1
SELECT h.apiary_id AS a, COUNT(*) AS n FROM hives h GROUP BY h.apiary_id HAVING a > 1
SELECT h.apiary_id, COUNT(*) AS n FROM hives h GROUP BY h.apiary_id HAVING frame_count > 1
SELECT h.apiary_id, COUNT(*) AS n FROM hives h GROUP BY h.apiary_id HAVING MAX(frame_count) > 1
SELECT h.apiary_id, COUNT(*) AS n FROM hives h GROUP BY h.apiary_id ORDER BY MAX(frame_count)
SELECT h.apiary_id, COUNT(*) AS n FROM hives h WHERE COUNT(*) > 1 GROUP BY h.apiary_id
SELECT h.apiary_id FROM hives h WHERE MAX(h.frame_count) > 3
SELECT h.apiary_id FROM hives h JOIN apiaries a ON COUNT(*) > 3
SELECT SUM(COUNT(*)) FROM hives GROUP BY apiary_id
SELECT SUM(COUNT(*)) OVER () AS s FROM hives GROUP BY apiary_id
SELECT COUNT(*) FROM hives GROUP BY COUNT(*)
SELECT COUNT(*) AS n FROM hives GROUP BY n
SELECT COUNT(*) AS n FROM hives GROUP BY 1
SELECT name FROM hives WHERE ROW_NUMBER() OVER (ORDER BY name) = 1
SELECT name FROM hives ORDER BY ROW_NUMBER() OVER (ORDER BY name)
SELECT ROW_NUMBER() OVER (ORDER BY name) AS n FROM hives WHERE n = 1
SELECT n FROM (SELECT ROW_NUMBER() OVER (ORDER BY name) AS n FROM hives) d WHERE n = 1
SELECT name, ROW_NUMBER() OVER w AS n FROM hives WINDOW w AS (ORDER BY name)
SELECT name, ROW_NUMBER() OVER v AS n FROM hives WINDOW w AS (ORDER BY name)
SELECT name, SUM(ROW_NUMBER() OVER (ORDER BY name)) AS n FROM hives GROUP BY name
WITH a AS (SELECT hive_id FROM hives) SELECT hive_id FROM a
WITH a AS (SELECT hive_id FROM hives) SELECT name FROM a
WITH a (x) AS (SELECT hive_id FROM hives) SELECT x FROM a
WITH a (x) AS (SELECT hive_id FROM hives) SELECT hive_id FROM a
WITH a (x, y) AS (SELECT hive_id FROM hives) SELECT x FROM a
WITH a AS (SELECT hive_id FROM hives), b AS (SELECT hive_id FROM a) SELECT b.hive_id FROM b JOIN a ON a.hive_id = b.hive_id
WITH a AS (SELECT hive_id FROM hives), a AS (SELECT 1 AS x) SELECT 1 FROM a
WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 3) SELECT i FROM n
WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT j + 1 FROM n WHERE i < 3) SELECT i FROM n
SELECT hive_id FROM hives UNION SELECT queen_id FROM queens ORDER BY hive_id
SELECT hive_id FROM hives UNION SELECT queen_id FROM queens ORDER BY queen_id
SELECT hive_id FROM hives UNION SELECT queen_id FROM queens ORDER BY 2
SELECT hive_id, name FROM hives UNION SELECT queen_id FROM queens
SELECT hive_id FROM hives UNION ALL SELECT queen_id, name FROM queens
SELECT * FROM keepers UNION SELECT * FROM buyers
SELECT hive_id FROM hives INTERSECT SELECT hive_id FROM harvests
SELECT DISTINCT apiary_id FROM hives ORDER BY apiary_id
SELECT DISTINCT apiary_id FROM hives ORDER BY name
SELECT DISTINCT apiary_id, name FROM hives ORDER BY LOWER(name)
SELECT h.name FROM hives h, queens q WHERE h.queen_id = q.queen_id
SELECT h.name FROM hives h, queens q JOIN keepers k ON k.keeper_id = h.keeper_id
SELECT h.name FROM hives h JOIN queens h ON 1 = 1
SELECT hives.name FROM hives, hives
SELECT a.name FROM apiaries a WHERE a.keeper_id IN (SELECT keeper_id FROM keepers WHERE village = a.name)
SELECT a.name FROM apiaries a WHERE a.keeper_id IN (SELECT keeper_id FROM keepers WHERE altitude_m > 3)
SELECT a.name FROM apiaries a WHERE a.keeper_id IN (SELECT keeper_id FROM keepers WHERE b.name = 'x')
SELECT d.n FROM (SELECT COUNT(*) AS n FROM hives h WHERE h.apiary_id = a.apiary_id) d JOIN apiaries a ON 1 = 1
SELECT a.name, (SELECT COUNT(*) FROM hives h WHERE h.apiary_id = a.apiary_id) FROM apiaries a GROUP BY a.name
SELECT name, MAX(altitude_m) FROM apiaries
SELECT name, altitude_m FROM apiaries GROUP BY name
SELECT apiary_id, altitude_m FROM apiaries GROUP BY apiary_id
SELECT UPPER(name), COUNT(*) FROM hives GROUP BY UPPER(name)
SELECT UPPER(name), COUNT(*) FROM hives GROUP BY name
SELECT name, COUNT(*) FROM hives GROUP BY UPPER(name)
SELECT frame_count + 1, COUNT(*) FROM hives GROUP BY frame_count
SELECT frame_count + queen_id, COUNT(*) FROM hives GROUP BY frame_count
SELECT CASE WHEN frame_count > 3 THEN 'a' ELSE 'b' END AS size, COUNT(*) FROM hives GROUP BY size
SELECT CASE WHEN frame_count > 3 THEN name ELSE 'b' END AS size, COUNT(*) FROM hives GROUP BY frame_count
SELECT h.*, COUNT(*) FROM hives h GROUP BY h.hive_id
SELECT h.*, COUNT(*) FROM hives h
SELECT 1, COUNT(*) FROM hives
SELECT 1 FROM hives GROUP BY ()
UPDATE hives SET frame_count = COUNT(*)
UPDATE hives SET frames = 3
UPDATE hives SET frame_count = frames + 1
UPDATE hives SET frame_count = (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = hives.hive_id)
UPDATE hives SET frame_count = (SELECT hive_id, keeper_id FROM inspections LIMIT 1)
DELETE FROM hives WHERE frames = 3
DELETE FROM hives WHERE hive_id IN (SELECT hive FROM inspections)
DELETE FROM inspections WHERE hive_id NOT IN (SELECT h.hive_id FROM hives h)
INSERT INTO buyers (buyer_id, name) SELECT keeper_id, name FROM keepers WHERE keeper_id > 900
INSERT INTO buyers (buyer_id, nom) VALUES (900, 'x')
INSERT INTO buyers (buyer_id, name) VALUES (900, MAX(3))
SELECT ROUND(weight_kg, 1, 2) FROM harvests
SELECT COALESCE() FROM harvests
SELECT NULLIF(weight_kg) FROM harvests
SELECT UPPER() FROM hives
SELECT COUNT(hive_id, name) FROM hives
