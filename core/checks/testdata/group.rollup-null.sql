-- dialect: postgres
-- checks: group.rollup-null
SELECT coalesce(h.queen_id, 0) AS queen, a.name, COUNT(*) AS n FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id GROUP BY CUBE (h.queen_id, a.name); -- want "group.rollup-null"
SELECT COALESCE(a.name, 'all') AS apiary, COUNT(*) AS n FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id GROUP BY ROLLUP (a.name);
SELECT queen_id, COALESCE(SUM(frame_count), 0) AS n FROM hives GROUP BY ROLLUP (queen_id);
SELECT COALESCE(queen_id, 0) AS q, COUNT(*) AS n FROM hives WHERE queen_id > 0 GROUP BY ROLLUP (queen_id);
