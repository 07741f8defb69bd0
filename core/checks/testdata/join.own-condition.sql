-- dialect: postgres
-- checks: join.own-condition
SELECT h.name FROM hives h NATURAL LEFT JOIN queens q ON q.queen_id = h.queen_id; -- want "join.own-condition"
SELECT h.name FROM hives h CROSS JOIN queens q USING (queen_id); -- want "join.own-condition"
SELECT h.name FROM hives h /* all */ CROSS /* of them */ JOIN queens q ON q.queen_id = h.queen_id; -- want "join.own-condition"
SELECT h.hive_id FROM hives h NATURAL JOIN harvests g JOIN inspections i ON i.mites > 3;
SELECT h.name FROM hives h CROSS JOIN LATERAL (SELECT 1 AS n) AS l JOIN queens q ON q.queen_id = h.queen_id;
