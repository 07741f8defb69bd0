-- dialect: spark

SELECT h.name FROM hives h JOIN queens q ON q.colour = h.queen_id; -- want "join.types-differ"
SELECT h.name FROM hives h LEFT JOIN keepers k ON (k.village) = (h.keeper_id); -- want "join.types-differ"
SELECT h.name FROM hives h JOIN (SELECT colour AS c FROM queens) q ON q.c = h.queen_id; -- want "join.types-differ"
SELECT h.name FROM hives h JOIN queens q ON q.name = h.name JOIN harvests g ON g.weight_kg = h.frame_count;
SELECT h.name FROM hives h JOIN inspections i ON i.inspected_at = h.moved_on;
