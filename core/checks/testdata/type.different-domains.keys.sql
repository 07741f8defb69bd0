-- dialect: postgres, no schema
-- checks: type.different-domains
CREATE TABLE visits (visit_id bigint PRIMARY KEY, seen_on date); CREATE TABLE swabs (swab_id bigint PRIMARY KEY, file text); CREATE TABLE notes (note_id bigint PRIMARY KEY, visit_id bigint REFERENCES visits, swab_id bigint REFERENCES swabs);
SELECT v.seen_on FROM visits AS v JOIN swabs AS s ON s.swab_id = v.visit_id; -- want "type.different-domains"
SELECT v.seen_on FROM visits AS v JOIN notes AS n ON n.note_id = v.visit_id AND n.swab_id IS NULL;
CREATE TABLE tastings (tasting_id bigint PRIMARY KEY UNIQUE, score integer); CREATE TABLE tasting_notes (note_for bigint PRIMARY KEY, remark text);
SELECT t.score FROM tastings AS t JOIN tasting_notes AS n ON n.note_for = t.tasting_id;
