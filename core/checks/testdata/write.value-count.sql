-- dialect: postgres
INSERT INTO queens (queen_id, name, bred_in) VALUES (901, 'Ash', 2024, 'red'); -- want "write.value-count"
INSERT INTO queens (queen_id, name, bred_in) VALUES (901, 'Ash', 2024), (902, 'Elm'); -- want "write.value-count"
INSERT INTO queens (queen_id, name, bred_in, colour) SELECT queen_id + 900, name, bred_in FROM queens; -- want "write.value-count"
INSERT INTO queens (queen_id, name) SELECT * FROM queens; -- want "rows.star" "write.value-count"
INSERT INTO queens (queen_id, name, bred_in) VALUES (901, 'Ash', 2024);
INSERT INTO queens (queen_id, name, bred_in) SELECT x.* FROM (SELECT 901 AS queen_id, 'Ash' AS name, 2024 AS bred_in) AS x;
INSERT INTO queens (queen_id, name, bred_in) SELECT queen_id + 900, name, bred_in FROM queens WHERE queen_id = -1;
VALUES (1, 2), (3); -- want "write.value-count"
SELECT v.a FROM (VALUES (1, 2), (3, 4, 5)) AS v (a, b); -- want "write.value-count"
INSERT INTO queens VALUES (901, 'Ada', 2020), (902, 'Bea'); -- want "write.value-count"
UPDATE hives SET (name, frame_count) = ('Ash', 1, 2) WHERE hive_id = 1; -- want "write.value-count"
UPDATE hives SET (name, frame_count) = (1) WHERE hive_id = 1; -- want "write.value-count"
UPDATE hives SET (name, frame_count) = (SELECT 'Ash') WHERE hive_id = 1; -- want "write.value-count"
UPDATE hives SET (name, frame_count) = ('Ash', 1), (moved_on, queen_id) = (SELECT NULL::date, 3) WHERE hive_id = 1;
VALUES (1, 2), (3, 4);
