-- dialect: spark
INSERT INTO queens (queen_id, name) VALUES ({{ values }}); -- want "write.missing-required"
INSERT INTO queens (queen_id, name) SELECT {{ columns }} FROM queens; -- want "write.missing-required"
INSERT INTO queens (queen_id, name, bred_in) VALUES (?, ?, ?);
