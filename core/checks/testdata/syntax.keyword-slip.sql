-- dialect: postgres
SELECT name FORM hives; -- want "syntax.keyword-slip"
SELECT name FROM hives WEHRE hive_id = 1; -- want "syntax.keyword-slip"
select apiary_id, count(*) from hives groupby apiary_id; -- want "syntax.keyword-slip"
SELECT name FROM hives ORDERBY name; -- want "syntax.keyword-slip"
SELCT name FROM hives; -- want "syntax.keyword-slip"
SELECT name FROM hives WHERE hive_id = 1 ADN apiary_id = 2; -- want "syntax.keyword-slip"
UPDATE hives SET frame_count = 8 WHER hive_id = 1; -- want "syntax.keyword-slip"
INSERT INOT hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (90, 'Ash', 1, 1, 8); -- want "syntax.keyword-slip"
SELECT form FROM (SELECT 1 AS form) AS f;
SELECT h.name limt FROM hives h;
SELECT wher.name FROM hives AS wher WHERE wher.hive_id = 1;
SELECT name AS grop FROM hives GROUP BY name; -- want "group.without-aggregate"
