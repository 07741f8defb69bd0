-- Apiaries with more than three hives. I always forget the order of these.
SELECT a.name, COUNT(*) AS hives
FROM apiaries AS a
JOIN hives AS h ON h.apiary_id = a.apiary_id
HAVING COUNT(*) > 3
GROUP BY a.name
ORDER BY a.name;
