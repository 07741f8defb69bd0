-- dialect: mariadb
-- checks: rows.order-text
SELECT name, frame_count AS frames FROM hives ORDER BY name, 'frames' DESC; -- want "rows.order-text"
SELECT name FROM hives ORDER BY 'whatever'; -- want "rows.order-text"
SELECT name FROM hives ORDER BY CONCAT(name, 'a'), `frame_count`;
SELECT name FROM hives ORDER BY FIELD(name, 'Ash', 'Elm');
SELECT GROUP_CONCAT(name ORDER BY name SEPARATOR ', ') AS names FROM hives;
