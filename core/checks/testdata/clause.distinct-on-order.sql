-- dialect: postgres
SELECT DISTINCT ON (apiary_id) apiary_id, name FROM hives ORDER BY name; -- want "clause.distinct-on-order"
SELECT DISTINCT ON (apiary_id, keeper_id) name FROM hives ORDER BY apiary_id, name, keeper_id; -- want "clause.distinct-on-order"
SELECT DISTINCT ON (apiary_id) apiary_id, name FROM hives ORDER BY apiary_id, name;
SELECT DISTINCT ON (apiary_id, keeper_id) name FROM hives ORDER BY keeper_id DESC, apiary_id, name;
SELECT DISTINCT ON (apiary_id) apiary_id, name FROM hives;
SELECT DISTINCT ON (1) apiary_id, name FROM hives ORDER BY 1, 2;
SELECT DISTINCT ON (apiary_id) apiary_id AS a, name FROM hives ORDER BY a, name;
