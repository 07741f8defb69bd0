-- dialect: mariadb
SELECT name AS 'Hive', frame_count FROM hives; -- want "name.quoted-alias"
SELECT frame_count 'n' FROM hives ORDER BY 'n'; -- want "name.quoted-alias" "rows.order-text"
SELECT frame_count AS 'the frames' FROM hives ORDER BY frame_count; -- want "name.quoted-alias"
SELECT frame_count AS 'keeper''s' FROM hives; -- want "name.quoted-alias"
SELECT name AS `Hive` FROM hives;
SELECT 'Hive' AS hive FROM hives;
SELECT 'a' 'b' AS c FROM hives;
