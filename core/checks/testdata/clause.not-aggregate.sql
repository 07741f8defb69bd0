-- dialect: postgres
-- checks: clause.not-aggregate
SELECT ROUND(frame_count) OVER (ORDER BY name) FROM hives; -- want "clause.not-aggregate"
SELECT LOWER(DISTINCT name) FROM hives; -- want "clause.not-aggregate"
SELECT DISTINCT UPPER(name), COUNT(*) OVER () FROM hives;
SELECT MAX(UPPER(name)) FILTER (WHERE name > 'a') FROM hives;
SELECT LOWER(DISTINCT name) OVER (ORDER BY name) FROM hives; -- want "clause.not-aggregate"
