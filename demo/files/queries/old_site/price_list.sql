-- Prices by buyer, as the old site showed them.
SELECT b.name, s.jars, s.price
FROM buyers b JOIN sales s ON s.buyer_id = b.buyer_id, harvests g
WHERE s.harvest_id = g.harvest_id
  AND g.moisture < 18.5
ORDER BY b.name, s.sold_at;
