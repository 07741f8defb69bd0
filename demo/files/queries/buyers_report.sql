-- Jars and money by buyer; those who bought nothing show a zero.
SELECT b.buyer_id,
       b.name,
       COUNT(s.sale_id)          AS sales,
       COALESCE(SUM(s.jars), 0)  AS jars,
       COALESCE(SUM(s.price), 0) AS money
FROM buyers AS b
LEFT JOIN sales AS s ON s.buyer_id = b.buyer_id
GROUP BY b.buyer_id, b.name
ORDER BY money DESC, b.name;
