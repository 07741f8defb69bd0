-- dialect: postgres
-- checks: null.quoted
SELECT name FROM queens WHERE 'NULL' <> queens.colour; -- want "null.quoted"
SELECT k.name FROM keepers k LEFT JOIN keepers m ON m.village = ('null') AND m.keeper_id = k.mentor_id; -- want "null.quoted"
UPDATE keepers SET village = 'NULL', mentor_id = NULL; -- want "null.quoted"
INSERT INTO buyers VALUES (90, 'Hall', 'NULL', NULL), (91, 'NULL', 'Saltby', NULL); -- want "null.quoted"
SELECT name FROM queens WHERE colour LIKE 'NULL%';
SELECT name FROM queens WHERE UPPER(colour) = 'NULL';
SELECT name FROM queens WHERE CASE WHEN colour IS NULL THEN 'NULL' ELSE colour END = 'NULL';
SELECT name FROM queens WHERE colour = 'Null' || 'a';
