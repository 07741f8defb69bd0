-- dialect: oracle
-- checks: logic.condition-as-value
-- Since 23ai a condition is a value.
SELECT name, frame_count > 10 AS large FROM hives;
