-- dialect: mariadb, possible
-- checks: write.every-row
DELETE FROM sales ORDER BY sold_at LIMIT 1;
UPDATE sales SET jars = 3 LIMIT 2;
UPDATE sales s JOIN harvests g ON g.harvest_id = s.harvest_id SET s.jars = 3;
DELETE FROM sales; -- want "write.every-row"
