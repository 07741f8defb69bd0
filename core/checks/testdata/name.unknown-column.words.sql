-- dialect: oracle
-- checks: name.unknown-column, syntax.unreadable
CREATE TABLE weighings (weighing_id int, key varchar(10), fulltext varchar(20), exclude int, window int, offset int, fetch int);
UPDATE weighings SET key = 'a', fulltext = 'b', exclude = 1, window = 2, offset = 3;
ALTER TABLE weighings ADD period int;
ALTER TABLE weighings ADD system int;
UPDATE weighings SET period = 1, system = 2 WHERE qualify = 3; -- want "name.unknown-column"
