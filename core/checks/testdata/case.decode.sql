-- dialect: oracle, possible
-- checks: case.decode
SELECT decode(q.colour, 'blue', 1, NULL, 2) AS mark, DECODE(q.colour, 'red', 'r') AS r FROM queens q; -- want "case.decode" "case.decode"
SELECT CASE q.colour WHEN 'blue' THEN 1 END AS mark FROM queens q;
