-- dialect: spark
INSERT INTO queens (queen_id, name) VALUES ({{ values }});
INSERT INTO queens (queen_id, name) SELECT {{ columns }} FROM queens;
INSERT INTO queens (queen_id, name, bred_in) VALUES (?, ?, ?);
