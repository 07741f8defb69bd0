-- dialect: mariadb
SELECT h.name FROM hives AS h JOIN queens AS q ON q.colour = h.queen_id; -- want "join.types-differ"
SELECT h.name FROM hives AS h, queens AS q WHERE (h.queen_id) = q.colour; -- want "join.types-differ"
SELECT h.name FROM hives AS h JOIN (SELECT colour AS c FROM queens) AS q ON q.c = h.queen_id; -- want "join.types-differ"
SELECT h.name FROM hives AS h JOIN queens AS q ON q.name = h.name JOIN harvests AS g ON g.weight_kg = h.frame_count;
SELECT h.name FROM hives AS h JOIN inspections AS i ON i.inspected_at = h.moved_on;
