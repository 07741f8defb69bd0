-- dialect: postgres
SELECT name FROM hives WHERE 5 < frame_count < 10; -- want "logic.chained-comparison"
SELECT name FROM hives WHERE apiary_id = keeper_id = 3; -- want "logic.chained-comparison" "type.different-domains"
SELECT name FROM hives WHERE 5 < frame_count AND frame_count < 10;
SELECT name FROM hives WHERE (frame_count > 5) = (keeper_id > 3);
SELECT name FROM hives WHERE (frame_count > 5) = true;
