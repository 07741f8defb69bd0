-- dialect: postgres, possible
-- checks: write.no-column-list
INSERT INTO buyers SELECT buyer_id + 900, name, village, keeper_id FROM buyers; -- want "write.no-column-list"
INSERT INTO keepers AS k VALUES (900, 'Ada', 'Saltby', DATE '2026-05-01', NULL); -- want "write.no-column-list"
INSERT INTO keepers (keeper_id, name, joined_on) VALUES (900, 'Ada', DATE '2026-05-01');
CREATE TEMP TABLE seen (hive_id integer); INSERT INTO seen VALUES (1);
