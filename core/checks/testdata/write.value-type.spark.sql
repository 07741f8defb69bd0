-- dialect: spark
INSERT INTO queens (queen_id, name, bred_in) SELECT queen_id + 900, name, name FROM queens; -- want "write.value-type"
INSERT INTO keepers (keeper_id, name, joined_on) SELECT keeper_id + 900, name, keeper_id FROM keepers; -- want "write.value-type"
INSERT INTO queens (queen_id, name, bred_in) SELECT queen_id + 900, bred_in, bred_in FROM queens;
