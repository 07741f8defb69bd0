-- dialect: postgres
-- checks: logic.always-false
CREATE TABLE heavy AS SELECT name FROM hives WHERE 1 = 0;
CREATE TABLE heavy AS SELECT name FROM hives WHERE frame_count > 8 AND frame_count < 3; -- want "logic.always-false"
CREATE VIEW heavy AS SELECT name FROM hives WHERE frame_count = 8 AND frame_count = 3; -- want "logic.always-false"
CREATE VIEW heavy AS SELECT NULL AS name WHERE false;
COPY (SELECT name FROM hives WHERE frame_count = 8 AND frame_count = 3) TO STDOUT WITH (FORMAT csv); -- want "logic.always-false"
