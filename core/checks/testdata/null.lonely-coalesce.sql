-- dialect: mariadb
-- checks: null.lonely-coalesce
SELECT coalesce(village) AS village FROM keepers; -- want "null.lonely-coalesce"
SELECT IFNULL(0, mites) AS mites FROM inspections; -- want "null.lonely-coalesce"
SELECT name FROM keepers WHERE COALESCE('none', village, name) = 'none'; -- want "null.lonely-coalesce"
SELECT COALESCE(village, 'none') AS village FROM keepers;
SELECT COALESCE(NULL, village) AS village FROM keepers;
SELECT COALESCE(UPPER('none'), village) AS village FROM keepers;
