-- dialect: postgres
-- Writes as careful people write them. Nothing is to be found in them.
UPDATE hives
SET frame_count = frame_count + 1
WHERE hive_id = 7;

UPDATE hives AS h
SET keeper_id = a.keeper_id
FROM apiaries AS a
WHERE a.apiary_id = h.apiary_id
  AND a.altitude_m > 300;

UPDATE queens
SET colour = CASE bred_in % 5 WHEN 0 THEN 'blue' WHEN 1 THEN 'white' ELSE colour END
WHERE bred_in >= 2025;

UPDATE hives
SET moved_on = (SELECT MAX(t.treated_on) FROM treatments AS t WHERE t.hive_id = hives.hive_id)
WHERE EXISTS (SELECT 1 FROM treatments AS t WHERE t.hive_id = hives.hive_id);

INSERT INTO queens (queen_id, name, bred_in, mother_id)
VALUES (901, 'Ada', 2026, 1), (902, 'Bea', 2026, NULL);

INSERT INTO keepers (keeper_id, name, village, joined_on)
SELECT b.buyer_id + 900, b.name, b.village, DATE '2026-05-01'
FROM buyers AS b
WHERE NOT EXISTS (SELECT 1 FROM keepers AS k WHERE k.name = b.name);

INSERT INTO apiaries (apiary_id, name, keeper_id)
VALUES (901, 'Ash Corner', 1)
ON CONFLICT (apiary_id) DO UPDATE SET name = EXCLUDED.name;

DELETE FROM treatments AS t
USING hives AS h
WHERE h.hive_id = t.hive_id
  AND h.frame_count = 0;

DELETE FROM sales WHERE sale_id IN (SELECT s.sale_id FROM sales AS s WHERE s.price IS NULL AND s.jars = 0);

WITH gone AS (
  DELETE FROM treatments WHERE treated_on < DATE '2000-01-01' RETURNING hive_id
)
SELECT COUNT(*) AS treatments FROM gone;

CREATE FUNCTION rename_hive(which integer, new_name text) RETURNS void LANGUAGE plpgsql AS $$
BEGIN
  UPDATE hives AS h SET name = new_name WHERE h.hive_id = which;
  IF NOT FOUND THEN
    RAISE EXCEPTION 'there is no hive %', which;
  END IF;
END $$;
