-- dialect: postgres
-- checks: rows.distinct-needless, name.unknown-column, null.inequality-drops
CREATE TABLE marks (mark_id integer PRIMARY KEY, marked_by text);
CREATE TABLE swarms (swarm_id integer PRIMARY KEY, place text NOT NULL) INHERITS (marks);
SELECT DISTINCT mark_id FROM marks;
SELECT DISTINCT swarm_id, marked_by FROM swarms; -- want "rows.distinct-needless"
SELECT mark_id, marked_bye FROM swarms; -- want "name.unknown-column"
SELECT swarm_id FROM swarms WHERE marked_by <> 'x'; -- want "null.inequality-drops"
