-- dialect: postgres
INSERT INTO buyers (buyer_id, name) VALUES (901, 'Ash') ON CONFLICT (buyer_id) DO UPDATE SET name = excluded.name RETURNING buyers.*;
UPDATE hives AS h SET frame_count = 8 FROM queens AS q WHERE q.queen_id = h.queen_id RETURNING h.*, q.*;
DELETE FROM sales AS s USING buyers AS b WHERE b.buyer_id = s.buyer_id RETURNING b.*;
UPDATE hives AS h SET frame_count = 8 RETURNING hives.*; -- want "name.unknown-alias"
WITH gone AS (DELETE FROM sales RETURNING sales.*) SELECT gone.* FROM gone;
