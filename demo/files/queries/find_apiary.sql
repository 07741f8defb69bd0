-- The search box of the web page.
SELECT apiary_id, name, altitude_m
FROM apiaries
WHERE name LIKE '%heath%'
ORDER BY name;

-- By the first letters.
SELECT apiary_id, name
FROM apiaries
WHERE name LIKE 'Heath%';
