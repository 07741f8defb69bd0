-- dialect: postgres, possible
-- checks: write.parent-delete
DELETE FROM buyers WHERE buyer_id = 999; -- want "write.parent-delete"
DELETE FROM sales WHERE sale_id = 999;
DELETE FROM buyers WHERE buyer_id NOT IN (SELECT buyer_id FROM sales) AND buyer_id = 999;
CREATE TABLE swarms (swarm_id integer PRIMARY KEY); CREATE TABLE sightings (swarm_id integer REFERENCES swarms ON DELETE CASCADE); DELETE FROM swarms;
