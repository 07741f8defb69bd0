-- dialect: postgres
SELECT name FROM hives WHERE moved_on; -- want "logic.bare-column"
SELECT name FROM hives WHERE LENGTH(name); -- want "logic.bare-column"
SELECT apiary_id, 1 AS one FROM hives GROUP BY apiary_id HAVING COUNT(*); -- want "logic.bare-column"
SELECT COUNT(*) FILTER (WHERE frame_count) AS n FROM hives; -- want "logic.bare-column"
SELECT name FROM hives WHERE 'yes please'; -- want "logic.bare-column"
SELECT COUNT(*) FILTER (WHERE frame_count > 3) AS n FROM hives WHERE CASE WHEN hive_id > 1 THEN true ELSE false END;
