-- dialect: postgres
VALUES (1, 'a'), ('b', 2); -- want "set.column-types"
SELECT n FROM (VALUES (CURRENT_DATE), (1)) AS v (n); -- want "set.column-types"
SELECT moved_on FROM hives UNION ALL SELECT 'never'; -- want "set.column-types"
SELECT n FROM (VALUES (1), ('2'), (NULL), (3.5)) AS v (n);
VALUES ('a', NULL), (NULL, 1);
