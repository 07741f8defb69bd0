-- Small harvests, for the sample jars.
SELECT harvest_id,
       taken_on,
       weight_kg * 1000 AS grams
FROM harvests
WHERE grams < 8000
ORDER BY grams;
