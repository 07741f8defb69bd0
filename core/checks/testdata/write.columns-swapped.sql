-- dialect: postgres
-- checks: write.columns-swapped
INSERT INTO keepers (keeper_id, name, village, joined_on) SELECT b.buyer_id + 900, b.village AS village, COALESCE(b.name, 'none') AS name, DATE '2026-05-01' FROM buyers b WHERE b.buyer_id = 999; -- want "write.columns-swapped"
INSERT INTO keepers (keeper_id, name, village, joined_on) SELECT b.buyer_id + 900, b.name, b.village, DATE '2026-05-01' FROM buyers b WHERE b.buyer_id = 999;
INSERT INTO keepers (keeper_id, name, village, joined_on) SELECT b.buyer_id + 900, b.village, b.village, DATE '2026-05-01' FROM buyers b WHERE b.buyer_id = 999;
INSERT INTO keepers (keeper_id, name, joined_on) VALUES (900, 'Ada', DATE '2026-05-01');
