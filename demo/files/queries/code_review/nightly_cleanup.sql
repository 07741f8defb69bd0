-- Runs each night: closes the season, tidies remarks, drops what nobody needs.

-- The colour of the year for queens that have none.
UPDATE queens
SET colour = CASE bred_in % 5
               WHEN 0 THEN 'blue'
               WHEN 1 THEN 'white'
               WHEN 2 THEN 'yellow'
               WHEN 3 THEN 'red'
             END;

-- When each hive was treated last.
UPDATE hives
SET moved_on = t.treated_on
FROM treatments AS t
WHERE t.hive_id = hives.hive_id;

-- Remarks that say nothing.
UPDATE inspections
SET remark = 'NULL'
WHERE remark = ''
   OR UPPER(remark) = 'None';

-- Hives that are gone: the second name makes another table of it.
DELETE FROM treatments
USING hives AS h
WHERE h.frame_count = 0;

-- Prices that were never set.
UPDATE sales
SET price = (
  SELECT AVG(o.price)
  FROM sales AS o
  WHERE o.harvest_id = sales.harvest_id
    AND o.price IS NOT NULL
);
