-- dialect: sqlite
SELECT COUNT(*) FROM hives GROUP BY 'name'; -- want "group.constant-key"
SELECT COUNT(*) FROM hives GROUP BY apiary_id, 'name'; -- want "group.constant-key"
SELECT COUNT(*) FROM hives GROUP BY "name";
SELECT COUNT(*) FROM hives GROUP BY name || 'x';
