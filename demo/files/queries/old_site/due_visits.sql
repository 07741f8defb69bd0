-- Hives that are due for a visit, as the old site counted the days.
SELECT `name`, CURRENT_DATE - `moved_on` AS days
FROM `hives`
WHERE `moved_on` + 30 < CURRENT_DATE
  AND `moved_on` > 2024-01-01
ORDER BY `name`;
