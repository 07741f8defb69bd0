-- dialect: mariadb
-- checks: index.order-random
SELECT h.name FROM hives h WHERE h.frame_count > 3 ORDER BY RAND() LIMIT 1; -- want "index.order-random"
SELECT h.name FROM hives h ORDER BY h.name, RAND();
SELECT x.n FROM (SELECT 1 AS n UNION ALL SELECT 2) AS x ORDER BY RAND();
