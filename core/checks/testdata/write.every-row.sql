-- dialect: postgres, possible
-- checks: write.every-row
DELETE FROM sales AS s; -- want "write.every-row"
update hives set moved_on = null, frame_count = 10; -- want "write.every-row"
UPDATE hives SET frame_count = frame_count + 1; -- want "write.every-row"
DELETE FROM sales WHERE TRUE;
DELETE FROM sales USING harvests g WHERE g.harvest_id = sales.harvest_id;
CREATE TEMP TABLE seen (hive_id integer); DELETE FROM seen;
CREATE FUNCTION clear_sales() RETURNS void LANGUAGE plpgsql AS $$ BEGIN DELETE FROM sales; END $$; -- want "write.every-row"
WITH gone AS (DELETE FROM sales RETURNING sale_id) SELECT COUNT(*) FROM gone; -- want "write.every-row"
