-- dialect: spark
-- checks: name.unknown-column, name.unknown-alias, type.argument-count, syntax.unreadable
SELECT TRANSFORM(SPLIT(name, ' '), x -> UPPER(x)), FILTER(SPLIT(name, ' '), (x, i) -> i > 0 AND x <> name) FROM hives;
SELECT AGGREGATE(ARRAY(1, 2), 0, (acc, x) -> acc + x, acc -> acc * frame_count) FROM hives;
SELECT TRANSFORM(SPLIT(name, ' '), x -> TRANSFORM(SPLIT(x, ''), y -> CONCAT(x, y))) FROM hives;
SELECT TRANSFORM(SPLIT(name, ' '), x -> CONCAT(x, nmae)) FROM hives; -- want "name.unknown-column"
SELECT TRANSFORM(SPLIT(name, ' '), x -> UPPER(x)), x FROM hives; -- want "name.unknown-column"
SELECT DATE_ADD(DAY, 1, taken_on), DATEDIFF(HOUR, taken_on, NOW()), DATE_DIFF(MINUTE, taken_on, NOW()), DATEADD(MONTH, 1, taken_on) FROM harvests;
SELECT DATE_ADD(day, 1) FROM harvests; -- want "name.unknown-column"
SELECT _metadata.file_path, 1L AS l, 1.5BD AS b, 2S, 3Y, 4D FROM hives;
SELECT window.start, COUNT(*) AS n FROM harvests GROUP BY WINDOW(taken_on, '1 day');
SELECT name FROM hives ORDER BY ALL;
