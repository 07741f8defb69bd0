-- dialect: postgres
-- checks: logic.double-negative, logic.not-scope, group.ungrouped-column
SELECT name FROM hives WHERE NOT /* the others */ frame_count <> 3; -- want "logic.double-negative"
SELECT name FROM hives WHERE hive_id = 1 OR /* the old ones */ hive_id = 2 OR hive_id = 3;
SELECT name FROM hives WHERE NOT /* these */ frame_count = 3 AND apiary_id = 2; -- want "logic.not-scope"
SELECT EXTRACT(YEAR /* of the visit */ FROM inspected_at) AS y, COUNT(*) AS n FROM inspections GROUP BY EXTRACT(YEAR FROM inspected_at);
SELECT frame_count + /* one */ 1 AS more, COUNT(*) AS n FROM hives GROUP BY frame_count+1;
SELECT CAST(frame_count AS /* wide */ bigint) AS wide, COUNT(*) AS n FROM hives GROUP BY CAST(frame_count AS bigint);
SELECT CAST(frame_count AS /* wide */ bigint) AS wide, COUNT(*) AS n FROM hives GROUP BY CAST(frame_count AS smallint); -- want "group.ungrouped-column"
