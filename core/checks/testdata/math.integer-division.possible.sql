-- dialect: sqlite, possible
SELECT frame_count / 2 AS pairs FROM hives; -- want "math.integer-division"
SELECT frame_count / 2.0 AS half, frame_count % 2 AS rest FROM hives;
SELECT 7 / 2 AS weeks; -- want "math.integer-division"
