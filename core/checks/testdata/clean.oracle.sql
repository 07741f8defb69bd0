-- dialect: oracle
-- Queries as careful people write them. Nothing is to be found in them.
SELECT h.name, h.frame_count FROM hives h ORDER BY h.frame_count DESC, h.hive_id FETCH FIRST 5 ROWS ONLY;

SELECT a.name, COUNT(h.hive_id) AS hives FROM apiaries a LEFT JOIN hives h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id, a.name;

SELECT k.name || ' of ' || k.village AS title FROM keepers k WHERE k.joined_on >= DATE '2020-01-01' AND k.joined_on < DATE '2021-01-01';

SELECT a.name, LISTAGG(h.name, ', ') WITHIN GROUP (ORDER BY h.name) AS hives FROM apiaries a JOIN hives h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id, a.name;

SELECT q.name FROM queens q WHERE q.colour IS NULL AND NOT EXISTS (SELECT 1 FROM hives h WHERE h.queen_id = q.queen_id);

SELECT TRUNC(i.inspected_at) AS day, COUNT(*) AS visits FROM inspections i GROUP BY TRUNC(i.inspected_at) ORDER BY day;
