-- dialect: postgres
-- checks: index.count-for-existence
SELECT a.name FROM apiaries a WHERE 1 <= (SELECT count(*) FROM hives h WHERE h.apiary_id = a.apiary_id AND h.frame_count > 8); -- want "index.count-for-existence"
SELECT a.name, (SELECT COUNT(h.queen_id) FROM hives h WHERE h.apiary_id = a.apiary_id) <> 0 AS any_queen FROM apiaries a; -- want "index.count-for-existence"
SELECT a.name FROM apiaries a WHERE NOT (SELECT COUNT(*) FROM hives h WHERE h.apiary_id = a.apiary_id) < 1; -- want "index.count-for-existence"
SELECT a.name FROM apiaries a WHERE (SELECT COUNT(*) FROM hives h WHERE h.apiary_id = a.apiary_id) = 1;
SELECT a.name FROM apiaries a WHERE (SELECT COUNT(*) FROM hives h WHERE h.apiary_id = a.apiary_id GROUP BY h.keeper_id LIMIT 1) > 0;
SELECT a.name FROM apiaries a WHERE (SELECT MAX(h.frame_count) FROM hives h WHERE h.apiary_id = a.apiary_id) > 0;
