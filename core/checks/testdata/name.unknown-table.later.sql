-- dialect: sqlite
-- checks: name.unknown-table, name.unknown-column
-- SQLite looks at the names of a view when it is used
CREATE VIEW swarm_places AS SELECT place FROM swarm; -- want "name.unknown-table"
CREATE VIEW swarm_hives AS SELECT place FROM hives; -- want "name.unknown-column"
SELECT place FROM hives; -- want "name.unknown-column"
