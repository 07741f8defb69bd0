-- dialect: postgres
SELECT name FROM hives WHERE queen_id <> 3; -- want "null.inequality-drops"
SELECT name FROM hives WHERE apiary_id = 1 AND queen_id NOT IN (3, 4); -- want "null.inequality-drops"
SELECT hive_id FROM inspections WHERE remark NOT LIKE '%mould%'; -- want "null.inequality-drops"
UPDATE harvests SET moisture = 20 WHERE moisture <> 18; -- want "null.inequality-drops"
SELECT name FROM hives WHERE keeper_id <> 3;
SELECT name FROM hives WHERE queen_id <> 3 OR queen_id IS NULL;
SELECT name FROM hives WHERE queen_id <> 3 AND queen_id IS NOT NULL;
SELECT name FROM hives WHERE queen_id > 1 AND queen_id <> 3;
SELECT name FROM hives WHERE queen_id = 3;
SELECT h.name FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id WHERE h.keeper_id <> q.queen_id;
SELECT k.name, m.name AS mentor FROM keepers AS k LEFT JOIN keepers AS m ON m.keeper_id = k.mentor_id WHERE m.village <> 'Saltby'; -- want "join.outer-undone"
SELECT name FROM hives WHERE queen_id <> 3 AND (queen_id > 5 OR keeper_id = 2);
SELECT name FROM hives WHERE COALESCE(queen_id, 0) <> 3;
SELECT name FROM hives WHERE NOT (queen_id <> 3); -- want "logic.double-negative"
SELECT h.name, q.name AS queen FROM hives h JOIN queens q ON q.queen_id = h.queen_id WHERE h.queen_id <> 3;
SELECT h.name, q.name AS queen FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id WHERE h.queen_id <> 3; -- want "null.inequality-drops"
