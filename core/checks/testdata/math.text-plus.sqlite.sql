-- dialect: sqlite
SELECT name + ', ' + name AS both FROM queens; -- want "math.text-plus"
SELECT name || colour AS both, queen_id + 1 AS next FROM queens; -- want "null.concat"
SELECT ('a' + name) AS a FROM queens; -- want "math.text-plus"
