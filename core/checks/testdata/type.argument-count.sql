-- dialect: postgres
SELECT UPPER(name, 3), LENGTH(), NULLIF(mites) FROM hives CROSS JOIN inspections; -- want "name.unqualified-column" "type.argument-count" "type.argument-count" "type.argument-count"
SELECT COALESCE(), GREATEST(mites, temper, 3), ROUND(mites, 1) FROM inspections; -- want "type.argument-count"
SELECT LAG(weight_kg, 1, 0, 3) OVER (ORDER BY taken_on) FROM harvests; -- want "type.argument-count"
SELECT SUM(weight_kg, 2) FROM harvests; -- want "type.argument-count"
SELECT COUNT(*), COUNT(DISTINCT name), STRING_AGG(name, ', ' ORDER BY name) FROM hives;
SELECT SUBSTRING(name, 2, 3), SUBSTRING(name FROM 2), POSITION('a' IN name), OVERLAY(name PLACING 'x' FROM 2), TRIM(name) FROM hives;
SELECT MAKE_INTERVAL(days => 3), NOW(), CURRENT_TIMESTAMP, CURRENT_TIMESTAMP(3), LOCALTIME FROM hives;
SELECT unknown_one(1, 2, 3), public.upper(name, 3) FROM hives;
SELECT MIN(*) FROM hives; -- want "type.argument-count"
SELECT LENGTH(*), COUNT(*) FROM hives; -- want "type.argument-count"
SELECT COUNT(DISTINCT hive_id, name) FROM hives; -- want "type.argument-count"
SELECT COUNT(DISTINCT (hive_id, name)), COUNT(DISTINCT name), STRING_AGG(DISTINCT name, ',') FROM hives;
