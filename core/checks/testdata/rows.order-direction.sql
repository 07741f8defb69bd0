-- dialect: postgres, possible
-- checks: rows.order-direction
SELECT name FROM hives ORDER BY apiary_id, keeper_id, frame_count DESC; -- want "rows.order-direction"
SELECT name FROM hives ORDER BY apiary_id asc, frame_count DESC;
SELECT name FROM hives ORDER BY apiary_id NULLS LAST, frame_count DESC;
SELECT name FROM hives ORDER BY frame_count DESC, name;
