-- dialect: postgres
SELECT COUNT(*) FROM hives h GROUP BY (SELECT colour FROM queens q WHERE q.queen_id = h.queen_id); -- want "clause.subquery-in-group-by"
SELECT COUNT(*) FROM hives h GROUP BY h.apiary_id + (SELECT 1); -- want "clause.subquery-in-group-by"
SELECT COUNT(*) FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id GROUP BY q.colour;
SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING COUNT(*) > (SELECT 1);
