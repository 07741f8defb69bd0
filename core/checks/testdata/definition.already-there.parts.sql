-- dialect: postgres, possible
-- checks: definition.already-there, name.unknown-column, write.missing-required, write.conflict-target
CREATE TABLE swarma (a int, b int) PARTITION BY LIST (a); CREATE TABLE swarma_1 PARTITION OF swarma FOR VALUES IN (1); DROP TABLE swarma; CREATE TABLE swarma_1 (a int);
CREATE TABLE swarmb (a int, b int) PARTITION BY LIST (a); CREATE TABLE swarmb_1 (a int, b int); ALTER TABLE swarmb ATTACH PARTITION swarmb_1 FOR VALUES IN (1); DROP TABLE swarmb; CREATE TABLE swarmb_1 (a int);
CREATE TABLE swarmc (a int, b int) PARTITION BY LIST (a); CREATE TABLE swarmc_1 PARTITION OF swarmc FOR VALUES IN (1); CREATE TABLE swarmc_1 (a int); -- want "definition.already-there"
CREATE TABLE swarmd (a int); CREATE VIEW full_swarmd AS SELECT a FROM swarmd; DROP TABLE swarmd CASCADE; CREATE VIEW full_swarmd AS SELECT 1 AS a;
CREATE TABLE swarme (a int, b int) PARTITION BY LIST (a); CREATE TABLE swarme_1 PARTITION OF swarme FOR VALUES IN (1); SELECT b FROM swarme_1;
CREATE TABLE swarmf (a int, b int) PARTITION BY LIST (a); CREATE TABLE swarmf_1 PARTITION OF swarmf FOR VALUES IN (1); SELECT c FROM swarmf_1; -- want "name.unknown-column"
CREATE TABLE swarmg (a int, b int) PARTITION BY LIST (a); CREATE TABLE swarmg_1 PARTITION OF swarmg (b WITH OPTIONS NOT NULL UNIQUE, CHECK (a > 0)) FOR VALUES IN (1); INSERT INTO swarmg_1 VALUES (1, 2) ON CONFLICT (b) DO NOTHING;
CREATE TABLE swarmh (jar_id serial PRIMARY KEY, grams int); CREATE TABLE big_swarmh (jar_id int PRIMARY KEY) INHERITS (swarmh); INSERT INTO big_swarmh (grams) VALUES (3);
CREATE TABLE swarmi (jar_id int PRIMARY KEY, grams int); CREATE TABLE big_swarmi (jar_id int PRIMARY KEY) INHERITS (swarmi); INSERT INTO big_swarmi (grams) VALUES (3); -- want "write.missing-required"
