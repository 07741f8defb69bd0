-- Buyers who keep bees become keepers; hives that were entered twice are put together.
INSERT INTO keepers (keeper_id, name, village, joined_on)
SELECT b.buyer_id + 1000,
       b.name,
       b.village,
       DATE '2026-01-01'
FROM buyers AS b
WHERE NOT EXISTS (SELECT 1 FROM keepers AS k WHERE k.name = name);

INSERT INTO hives (hive_id, name, apiary_id, keeper_id)
SELECT h.hive_id + 1000, h.name, h.keeper_id, h.apiary_id
FROM hives AS h
WHERE h.name NOT LIKE 'Split*'
  AND h.frame_count > 8;

UPDATE hives
SET queen_id = NULL,
    frame_count = NULL
WHERE hive_id IN (
        SELECT 1
        FROM inspections AS i
        WHERE i.mites > 3
      );

INSERT INTO apiaries (apiary_id, name, keeper_id)
VALUES (901, 'Mill Meadow', 2)
ON CONFLICT (keeper_id) DO UPDATE SET name = 'Mill Meadow';
