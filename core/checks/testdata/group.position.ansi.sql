-- dialect: ansi
-- checks: group.position
SELECT apiary_id, COUNT(*) FROM hives GROUP BY 1; -- want "group.position"
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id;
